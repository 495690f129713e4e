CREATE TABLE IF NOT EXISTS "schema_migrations" ("version" varchar NOT NULL PRIMARY KEY);
CREATE TABLE IF NOT EXISTS "ar_internal_metadata" ("key" varchar NOT NULL PRIMARY KEY, "value" varchar, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL);
CREATE TABLE IF NOT EXISTS "houses" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "name" varchar NOT NULL, "guests" boolean DEFAULT 1 NOT NULL, "public_addresses" boolean DEFAULT 0 NOT NULL, "demo" boolean DEFAULT 0 NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, bin_days integer NOT NULL DEFAULT 90 CHECK (bin_days BETWEEN 1 AND 3650), front_page_id integer REFERENCES pages (id) ON DELETE SET NULL, sites_apart boolean DEFAULT 0 NOT NULL, "checks_addresses" boolean DEFAULT 0 NOT NULL, "own_hosts" varchar DEFAULT '' NOT NULL, "schemes" varchar DEFAULT '' NOT NULL, "gathers_sought" boolean DEFAULT 1 NOT NULL, arrival_megabytes integer NOT NULL DEFAULT 1024, invited_by_keepers varchar NOT NULL DEFAULT 'guests', invitation_days integer NOT NULL DEFAULT 14, joining_domains varchar NOT NULL DEFAULT '', circles boolean NOT NULL DEFAULT 1, asking_to_join boolean NOT NULL DEFAULT 0, tells_readers boolean NOT NULL DEFAULT 1, CONSTRAINT one_house CHECK (id = 1));
CREATE TABLE IF NOT EXISTS "people" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "name" varchar NOT NULL, "email" varchar COLLATE "NOCASE" NOT NULL, "encrypted_password" varchar NOT NULL, "remember_created_at" datetime(6), "role" varchar DEFAULT 'member' NOT NULL, "office" varchar DEFAULT 'none' NOT NULL, "suspended_at" datetime(6), "single_keys" boolean DEFAULT 1 NOT NULL, "theme" varchar DEFAULT 'system' NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, "failed_attempts" integer DEFAULT 0 NOT NULL, "locked_at" datetime(6), reset_password_token varchar, reset_password_sent_at datetime(6), session_number integer NOT NULL DEFAULT 0, time_zone varchar NOT NULL DEFAULT 'UTC', language varchar NOT NULL DEFAULT 'en', sites_apart boolean, occupation varchar NOT NULL DEFAULT '', contact varchar NOT NULL DEFAULT '', spoken varchar NOT NULL DEFAULT '', shows_email boolean NOT NULL DEFAULT 1, CONSTRAINT known_role CHECK (role IN ('member', 'guest')), CONSTRAINT known_office CHECK (office IN ('none', 'administrator', 'owner')), CONSTRAINT office_is_for_members CHECK (office = 'none' OR role = 'member'), CONSTRAINT known_theme CHECK (theme IN ('system', 'light', 'dark')));
CREATE UNIQUE INDEX "index_people_on_public_id" ON "people" ("public_id");
CREATE UNIQUE INDEX "index_people_on_email" ON "people" ("email");
CREATE UNIQUE INDEX "one_owner" ON "people" ("office") WHERE office = 'owner';
CREATE TABLE IF NOT EXISTS "groups" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "name" varchar COLLATE "NOCASE" NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, "public_id" varchar DEFAULT '' NOT NULL);
CREATE UNIQUE INDEX "index_groups_on_name" ON "groups" ("name");
CREATE TABLE IF NOT EXISTS "memberships" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "group_id" integer NOT NULL, "person_id" integer NOT NULL, CONSTRAINT "fk_rails_aaf389f138"
FOREIGN KEY ("group_id")
  REFERENCES "groups" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_092b9b8356"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_memberships_on_person_id" ON "memberships" ("person_id");
CREATE UNIQUE INDEX "index_memberships_on_group_id_and_person_id" ON "memberships" ("group_id", "person_id");
CREATE TABLE IF NOT EXISTS "access_lists" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "digest" varchar NOT NULL);
CREATE UNIQUE INDEX "index_access_lists_on_digest" ON "access_lists" ("digest");
CREATE TABLE IF NOT EXISTS "rooms" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "name" varchar COLLATE "NOCASE" NOT NULL, "description" varchar DEFAULT '' NOT NULL, "colour" varchar NOT NULL, "position" integer NOT NULL, "access_list_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, archived_at datetime(6), front_page_id integer REFERENCES pages (id) ON DELETE SET NULL, owner_id integer REFERENCES people (id), practice boolean NOT NULL DEFAULT 0, "in_languages" json DEFAULT '{}' NOT NULL, "editions_thinned_after" integer, CONSTRAINT "fk_rails_337ada374d"
FOREIGN KEY ("access_list_id")
  REFERENCES "access_lists" ("id")
);
CREATE UNIQUE INDEX "index_rooms_on_public_id" ON "rooms" ("public_id");
CREATE INDEX "index_rooms_on_access_list_id" ON "rooms" ("access_list_id");
CREATE TABLE IF NOT EXISTS "pages" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "room_id" integer NOT NULL, "ancestry" varchar COLLATE "BINARY" NOT NULL, "position" integer NOT NULL, "title" varchar NOT NULL, "own_list" boolean DEFAULT 0 NOT NULL, "access_list_id" integer NOT NULL, "author_id" integer NOT NULL, "draft_id" bigint, "edition_id" bigint, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, binned_at datetime(6), binned_by_id integer REFERENCES people (id), bin_root_id integer REFERENCES pages (id) CHECK ((binned_at IS NULL) = (bin_root_id IS NULL)), icon varchar, language varchar, cover_id integer REFERENCES page_files (id) ON DELETE SET NULL, CONSTRAINT "fk_rails_5c3bea004d"
FOREIGN KEY ("draft_id")
  REFERENCES "drafts" ("id")
 DEFERRABLE INITIALLY DEFERRED, CONSTRAINT "fk_rails_5ce3d6d476"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
, CONSTRAINT "fk_rails_f5bb9661ca"
FOREIGN KEY ("access_list_id")
  REFERENCES "access_lists" ("id")
, CONSTRAINT "fk_rails_e0d1068398"
FOREIGN KEY ("author_id")
  REFERENCES "people" ("id")
, CONSTRAINT "fk_rails_d2a571c877"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 DEFERRABLE INITIALLY DEFERRED, CONSTRAINT title_length CHECK (length(title) BETWEEN 1 AND 200));
CREATE UNIQUE INDEX "index_pages_on_public_id" ON "pages" ("public_id");
CREATE INDEX "index_pages_on_author_id" ON "pages" ("author_id");
CREATE INDEX "index_pages_on_ancestry" ON "pages" ("ancestry");
CREATE UNIQUE INDEX "index_pages_on_room_id_and_ancestry_and_position" ON "pages" ("room_id", "ancestry", "position");
CREATE TABLE IF NOT EXISTS "access_grants" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "room_id" integer, "page_id" integer, "holder" varchar NOT NULL, "person_id" integer, "group_id" integer, "level" integer NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, ends_on date, told_ahead_at datetime(6), told_ended_at datetime(6), CONSTRAINT "fk_rails_eb8d68561b"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_13e851624a"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_2448d96edc"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_72304f6da9"
FOREIGN KEY ("group_id")
  REFERENCES "groups" ("id")
 ON DELETE CASCADE, CONSTRAINT holder_is_named CHECK ((holder = 'person' AND person_id IS NOT NULL AND group_id IS NULL) OR (holder = 'group' AND group_id IS NOT NULL AND person_id IS NULL) OR (holder IN ('everyone', 'anyone') AND person_id IS NULL AND group_id IS NULL)), CONSTRAINT known_level CHECK (level BETWEEN 1 AND 4), CONSTRAINT one_place CHECK ((room_id IS NULL) <> (page_id IS NULL)));
CREATE INDEX "index_access_grants_on_page_id" ON "access_grants" ("page_id");
CREATE INDEX "index_access_grants_on_person_id" ON "access_grants" ("person_id");
CREATE INDEX "index_access_grants_on_group_id" ON "access_grants" ("group_id");
CREATE TABLE IF NOT EXISTS "access_list_entries" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "access_list_id" integer NOT NULL, "holder" varchar NOT NULL, "person_id" integer, "group_id" integer, "level" integer NOT NULL, ends_on date, CONSTRAINT "fk_rails_c1a63ebc4c"
FOREIGN KEY ("access_list_id")
  REFERENCES "access_lists" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_780006bbc0"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE RESTRICT, CONSTRAINT "fk_rails_8f2a649191"
FOREIGN KEY ("group_id")
  REFERENCES "groups" ("id")
 ON DELETE RESTRICT, CONSTRAINT holder_is_named CHECK ((holder = 'person' AND person_id IS NOT NULL AND group_id IS NULL) OR (holder = 'group' AND group_id IS NOT NULL AND person_id IS NULL) OR (holder IN ('everyone', 'anyone') AND person_id IS NULL AND group_id IS NULL)), CONSTRAINT known_level CHECK (level BETWEEN 1 AND 4));
CREATE INDEX "index_access_list_entries_on_person_id" ON "access_list_entries" ("person_id");
CREATE INDEX "index_access_list_entries_on_group_id" ON "access_list_entries" ("group_id");
CREATE INDEX "entries_for_all" ON "access_list_entries" ("holder", "level") WHERE holder IN ('everyone', 'anyone');
CREATE TABLE IF NOT EXISTS "promises" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "title" varchar NOT NULL, "page_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, "wording" varchar DEFAULT '' NOT NULL, "chosen" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_b970250846"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_promises_on_page_id" ON "promises" ("page_id");
CREATE UNIQUE INDEX "index_promises_on_title_and_page_id" ON "promises" ("title", "page_id");
CREATE TABLE IF NOT EXISTS "sections" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "position" integer NOT NULL, "block_id" varchar, "title" varchar NOT NULL, "heading" varchar NOT NULL, "body" text NOT NULL, "level" integer DEFAULT 1 NOT NULL, page_file_id integer REFERENCES page_files (id) ON DELETE CASCADE, "place" varchar, CONSTRAINT "fk_rails_b9060f893a"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_sections_on_page_id_and_position" ON "sections" ("page_id", "position");
CREATE INDEX "index_pages_on_bin_root_id" ON "pages" ("bin_root_id") WHERE bin_root_id IS NOT NULL;
CREATE TABLE IF NOT EXISTS "tags" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "name" varchar COLLATE "NOCASE" NOT NULL, CONSTRAINT name_length CHECK (length(name) BETWEEN 1 AND 40));
CREATE UNIQUE INDEX "index_tags_on_public_id" ON "tags" ("public_id");
CREATE UNIQUE INDEX "index_tags_on_name" ON "tags" ("name");
CREATE TABLE IF NOT EXISTS "taggings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "tag_id" integer NOT NULL, "page_id" integer NOT NULL, CONSTRAINT "fk_rails_9fcd2e236b"
FOREIGN KEY ("tag_id")
  REFERENCES "tags" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_e8c1f6ae3c"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_taggings_on_page_id" ON "taggings" ("page_id");
CREATE UNIQUE INDEX "index_taggings_on_tag_id_and_page_id" ON "taggings" ("tag_id", "page_id");
CREATE TABLE IF NOT EXISTS "pins" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "page_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_4d27ad197d"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c9c15db41d"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_pins_on_page_id" ON "pins" ("page_id");
CREATE UNIQUE INDEX "index_pins_on_person_id_and_page_id" ON "pins" ("person_id", "page_id");
CREATE TABLE IF NOT EXISTS "readings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "page_id" integer NOT NULL, "times" integer DEFAULT 1 NOT NULL, "read_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_c886064765"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c67965a288"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_readings_on_person_id_and_page_id" ON "readings" ("person_id", "page_id");
CREATE INDEX "index_readings_on_person_id_and_read_at" ON "readings" ("person_id", "read_at");
CREATE INDEX "index_readings_on_page_id_and_times" ON "readings" ("page_id", "times");
CREATE TABLE IF NOT EXISTS "signposts" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "room_id" integer NOT NULL, "parent_id" integer, "before_id" integer, "position" integer DEFAULT 0 NOT NULL, "kind" varchar NOT NULL, "title" varchar NOT NULL, "target" varchar, CONSTRAINT "fk_rails_2ba879bb36"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c5d7bde294"
FOREIGN KEY ("parent_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_79335d8aff"
FOREIGN KEY ("before_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL, CONSTRAINT known_kind CHECK (kind IN ('heading', 'link')), CONSTRAINT links_lead_somewhere CHECK ((kind = 'link') = (target IS NOT NULL)), CONSTRAINT title_length CHECK (length(title) BETWEEN 1 AND 200));
CREATE INDEX "index_signposts_on_room_id" ON "signposts" ("room_id");
CREATE INDEX "index_signposts_on_parent_id" ON "signposts" ("parent_id");
CREATE INDEX "index_signposts_on_before_id" ON "signposts" ("before_id");
CREATE TABLE IF NOT EXISTS "sent_mails" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "recipient" varchar NOT NULL, "subject" varchar NOT NULL, "body" text NOT NULL, "secret" varchar, "delivered" boolean DEFAULT 0 NOT NULL, "created_at" datetime(6) NOT NULL, "waiting" boolean DEFAULT 0 NOT NULL, "tries" integer DEFAULT 0 NOT NULL, "due_at" datetime(6), tellings text, headers text);
CREATE UNIQUE INDEX "index_people_on_reset_password_token" ON "people" ("reset_password_token");
CREATE TABLE IF NOT EXISTS "active_storage_blobs" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "key" varchar NOT NULL, "filename" varchar NOT NULL, "content_type" varchar, "metadata" text, "service_name" varchar NOT NULL, "byte_size" bigint NOT NULL, "checksum" varchar, "created_at" datetime(6) NOT NULL);
CREATE UNIQUE INDEX "index_active_storage_blobs_on_key" ON "active_storage_blobs" ("key");
CREATE INDEX "index_active_storage_blobs_on_checksum" ON "active_storage_blobs" ("checksum");
CREATE TABLE IF NOT EXISTS "active_storage_attachments" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "name" varchar NOT NULL, "record_type" varchar NOT NULL, "record_id" integer NOT NULL, "blob_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_c3b3935057"
FOREIGN KEY ("blob_id")
  REFERENCES "active_storage_blobs" ("id")
);
CREATE INDEX "index_active_storage_attachments_on_blob_id" ON "active_storage_attachments" ("blob_id");
CREATE UNIQUE INDEX "index_active_storage_attachments_uniqueness" ON "active_storage_attachments" ("record_type", "record_id", "name", "blob_id");
CREATE TABLE IF NOT EXISTS "active_storage_variant_records" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "blob_id" integer NOT NULL, "variation_digest" varchar NOT NULL, CONSTRAINT "fk_rails_993965df05"
FOREIGN KEY ("blob_id")
  REFERENCES "active_storage_blobs" ("id")
);
CREATE UNIQUE INDEX "index_active_storage_variant_records_uniqueness" ON "active_storage_variant_records" ("blob_id", "variation_digest");
CREATE VIRTUAL TABLE title_index USING fts5(
  title, content='pages', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='1 2 3 4'
)
/* title_index(title) */;
CREATE TABLE IF NOT EXISTS 'title_index_data'(id INTEGER PRIMARY KEY, block BLOB);
CREATE TABLE IF NOT EXISTS 'title_index_idx'(segid, term, pgno, PRIMARY KEY(segid, term)) WITHOUT ROWID;
CREATE TABLE IF NOT EXISTS 'title_index_docsize'(id INTEGER PRIMARY KEY, sz BLOB);
CREATE TABLE IF NOT EXISTS 'title_index_config'(k PRIMARY KEY, v) WITHOUT ROWID;
CREATE TRIGGER pages_after_insert AFTER INSERT ON pages BEGIN INSERT INTO title_index(rowid, title) VALUES (new.id, new.title); END;
CREATE TRIGGER pages_after_delete AFTER DELETE ON pages BEGIN INSERT INTO title_index(title_index, rowid, title) VALUES ('delete', old.id, old.title); END;
CREATE TRIGGER pages_after_update AFTER UPDATE OF title ON pages BEGIN INSERT INTO title_index(title_index, rowid, title) VALUES ('delete', old.id, old.title); INSERT INTO title_index(rowid, title) VALUES (new.id, new.title); END;
CREATE VIRTUAL TABLE title_words USING fts5vocab('title_index', 'row')
/* title_words(term,doc,cnt) */;
CREATE TABLE IF NOT EXISTS "page_files" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "page_id" integer NOT NULL, "author_id" integer NOT NULL, "name" varchar NOT NULL, "kind" varchar NOT NULL, "width" integer, "height" integer, "created_at" datetime(6) NOT NULL, sheets integer, "published" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_d0209b82ff"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_bde8235681"
FOREIGN KEY ("author_id")
  REFERENCES "people" ("id")
, CONSTRAINT known_kind CHECK (kind IN ('picture', 'drawing', 'pdf', 'video', 'audio', 'other')));
CREATE UNIQUE INDEX "index_page_files_on_public_id" ON "page_files" ("public_id");
CREATE INDEX "index_page_files_on_page_id" ON "page_files" ("page_id");
CREATE INDEX "index_page_files_on_author_id" ON "page_files" ("author_id");
CREATE TABLE IF NOT EXISTS "sources" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "title" varchar NOT NULL, "author" varchar DEFAULT '' NOT NULL, "publisher" varchar DEFAULT '' NOT NULL, "address" varchar DEFAULT '' NOT NULL, "same_address" varchar, "date" varchar DEFAULT '' NOT NULL, "accessed_on" date, "entered_by_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_38b41e6d42"
FOREIGN KEY ("entered_by_id")
  REFERENCES "people" ("id")
);
CREATE UNIQUE INDEX "index_sources_on_public_id" ON "sources" ("public_id");
CREATE INDEX "index_sources_on_entered_by_id" ON "sources" ("entered_by_id");
CREATE UNIQUE INDEX "index_sources_on_same_address" ON "sources" ("same_address") WHERE same_address IS NOT NULL;
CREATE INDEX "index_sources_on_title" ON "sources" ("title");
CREATE TABLE IF NOT EXISTS "templates" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "whole_house" boolean DEFAULT 0 NOT NULL, "description" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_a9ab707c85"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_templates_on_page_id" ON "templates" ("page_id");
CREATE INDEX "index_pages_on_cover_id" ON "pages" ("cover_id") WHERE cover_id IS NOT NULL;
CREATE TABLE IF NOT EXISTS "page_writers" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer NOT NULL, "since" datetime(6) NOT NULL, "seen_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_993719e835"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_8f7d795160"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_page_writers_on_person_id" ON "page_writers" ("person_id");
CREATE UNIQUE INDEX "index_page_writers_on_page_id_and_person_id" ON "page_writers" ("page_id", "person_id");
CREATE TABLE IF NOT EXISTS "tombstones" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "access_list_id" integer NOT NULL, "published" boolean NOT NULL, "erased_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_6a24dc8d78"
FOREIGN KEY ("access_list_id")
  REFERENCES "access_lists" ("id")
);
CREATE UNIQUE INDEX "index_tombstones_on_public_id" ON "tombstones" ("public_id");
CREATE INDEX "index_tombstones_on_access_list_id" ON "tombstones" ("access_list_id");
CREATE TRIGGER pages_never_below_themselves BEFORE UPDATE OF ancestry ON pages
WHEN new.ancestry IS NOT old.ancestry AND (instr(new.ancestry, '/' || new.id || '/') > 0
  OR EXISTS (SELECT 1 FROM pages WHERE id = CAST(replace(new.ancestry, rtrim(rtrim(new.ancestry, '/'), '0123456789'), '') AS INTEGER) AND instr(ancestry, '/' || new.id || '/') > 0))
BEGIN SELECT RAISE(ABORT, 'a page cannot stand below itself'); END;
CREATE TRIGGER pages_kept_are_not_erased BEFORE DELETE ON pages WHEN old.bin_root_id IS NULL
BEGIN SELECT RAISE(ABORT, 'a page that is kept is not erased'); END;
CREATE TABLE IF NOT EXISTS "sign_ins" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "token_digest" varchar NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_f32d06a6c5"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_sign_ins_on_person_id" ON "sign_ins" ("person_id");
CREATE UNIQUE INDEX "index_sign_ins_on_token_digest" ON "sign_ins" ("token_digest");
CREATE TABLE IF NOT EXISTS "email_changes" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "email" varchar NOT NULL, "old_digest" varchar NOT NULL, "new_digest" varchar NOT NULL, "old_agreed_at" datetime(6), "new_agreed_at" datetime(6), "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_4970d735fb"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_email_changes_on_person_id" ON "email_changes" ("person_id");
CREATE UNIQUE INDEX "index_email_changes_on_old_digest" ON "email_changes" ("old_digest");
CREATE UNIQUE INDEX "index_email_changes_on_new_digest" ON "email_changes" ("new_digest");
CREATE UNIQUE INDEX "index_rooms_on_owner_id" ON "rooms" ("owner_id");
CREATE UNIQUE INDEX "index_rooms_on_practice" ON "rooms" ("practice") WHERE practice;
CREATE TABLE IF NOT EXISTS "texts" ("page_id" integer NOT NULL, "digest" varchar NOT NULL, "body" blob NOT NULL,
  PRIMARY KEY ("page_id", "digest"), FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE);
CREATE TABLE IF NOT EXISTS "drafts" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "version" integer, "base_version" integer NOT NULL,
  "save_id" varchar NOT NULL, "title" varchar NOT NULL, "digest" varchar NOT NULL, "new_ids" json NOT NULL, "author_id" integer NOT NULL, "created_at" datetime(6) NOT NULL,
  FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE,
  FOREIGN KEY ("page_id", "digest") REFERENCES "texts" ("page_id", "digest") DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY ("author_id") REFERENCES "people" ("id"));
CREATE INDEX "index_drafts_on_author_id" ON "drafts" ("author_id");
CREATE UNIQUE INDEX "index_drafts_on_page_id_and_version" ON "drafts" ("page_id", "version");
CREATE UNIQUE INDEX "index_drafts_on_page_id_and_author_id_and_save_id" ON "drafts" ("page_id", "author_id", "save_id");
CREATE INDEX "index_drafts_on_page_id_and_digest" ON "drafts" ("page_id", "digest");
CREATE TABLE IF NOT EXISTS "editions" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "number" integer NOT NULL, "draft_version" integer,
  "title" varchar NOT NULL, "digest" varchar NOT NULL, "author_id" integer NOT NULL, "note" varchar DEFAULT '' NOT NULL, "small" boolean DEFAULT 0 NOT NULL, "published_at" datetime(6) NOT NULL, "reviewed" boolean DEFAULT 0 NOT NULL, "words_added" integer, "words_removed" integer,
  FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE,
  FOREIGN KEY ("page_id", "digest") REFERENCES "texts" ("page_id", "digest") DEFERRABLE INITIALLY DEFERRED,
  FOREIGN KEY ("author_id") REFERENCES "people" ("id"));
CREATE INDEX "index_editions_on_author_id" ON "editions" ("author_id");
CREATE INDEX "index_editions_on_published_at" ON "editions" ("published_at");
CREATE UNIQUE INDEX "index_editions_on_page_id_and_number" ON "editions" ("page_id", "number");
CREATE INDEX "index_editions_on_page_id_and_digest" ON "editions" ("page_id", "digest");
CREATE TABLE IF NOT EXISTS "ticks" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "block_id" varchar NOT NULL, "done" boolean NOT NULL, "person_id" integer, "ticked_at" datetime(6) NOT NULL, "draft_version" integer, "settled" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_adda236ce9"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_b3bc799cbb"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_ticks_on_person_id" ON "ticks" ("person_id");
CREATE UNIQUE INDEX "index_ticks_on_page_id_and_block_id" ON "ticks" ("page_id", "block_id");
CREATE TABLE IF NOT EXISTS "tasks" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "block_id" varchar NOT NULL, "position" integer NOT NULL, "text" varchar NOT NULL, "done" boolean DEFAULT 0 NOT NULL, "due" date, "assignee_id" integer, CONSTRAINT "fk_rails_5b47b15edc"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_0016c50613"
FOREIGN KEY ("assignee_id")
  REFERENCES "people" ("id")
);
CREATE INDEX "index_tasks_on_assignee_id" ON "tasks" ("assignee_id");
CREATE UNIQUE INDEX "index_tasks_on_page_id_and_block_id" ON "tasks" ("page_id", "block_id");
CREATE UNIQUE INDEX "index_groups_on_public_id" ON "groups" ("public_id");
CREATE TABLE IF NOT EXISTS "happenings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "act" varchar NOT NULL, "page_id" integer, "room_id" integer, "subject" varchar NOT NULL, "title" varchar DEFAULT '' NOT NULL, "details" json DEFAULT '{}' NOT NULL, "small" boolean DEFAULT 0 NOT NULL, "who" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_c5273131d8"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_a9821ac0fc"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_happenings_on_page_id_and_id" ON "happenings" ("page_id", "id");
CREATE INDEX "index_happenings_on_room_id_and_id" ON "happenings" ("room_id", "id");
CREATE INDEX "index_happenings_on_created_at" ON "happenings" ("created_at");
CREATE INDEX "index_happenings_on_act_and_created_at" ON "happenings" ("act", "created_at");
CREATE TABLE IF NOT EXISTS "happening_actors" ("happening_id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "salt" varchar NOT NULL, CONSTRAINT "fk_rails_9c0ee7913c"
FOREIGN KEY ("happening_id")
  REFERENCES "happenings" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_ec73cc7a84"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_happening_actors_on_person_id" ON "happening_actors" ("person_id");
CREATE TABLE IF NOT EXISTS "pending_tellings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "happening_id" integer NOT NULL, "listener" varchar NOT NULL, "tries" integer DEFAULT 0 NOT NULL, "due_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_a2991d7e9c"
FOREIGN KEY ("happening_id")
  REFERENCES "happenings" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_pending_tellings_on_happening_id_and_listener" ON "pending_tellings" ("happening_id", "listener");
CREATE INDEX "index_pending_tellings_on_due_at" ON "pending_tellings" ("due_at");
CREATE TABLE IF NOT EXISTS "failed_sign_ins" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "hour" datetime(6) NOT NULL, "count" integer DEFAULT 0 NOT NULL);
CREATE UNIQUE INDEX "index_failed_sign_ins_on_hour" ON "failed_sign_ins" ("hour");
CREATE TRIGGER happenings_never_change BEFORE UPDATE ON happenings WHEN new.act IS NOT old.act OR new.subject IS NOT old.subject OR new.title IS NOT old.title OR new.details IS NOT old.details OR new.small IS NOT old.small OR new.who IS NOT old.who OR new.created_at IS NOT old.created_at OR (new.page_id IS NOT NULL AND new.page_id IS NOT old.page_id) OR (new.room_id IS NOT NULL AND new.room_id IS NOT old.room_id)
BEGIN SELECT RAISE(ABORT, 'what happened is never changed'); END;
CREATE INDEX "index_sent_mails_on_due_at" ON "sent_mails" ("due_at") WHERE waiting;
CREATE TABLE versions (name varchar NOT NULL PRIMARY KEY, number integer NOT NULL) WITHOUT ROWID;
CREATE TRIGGER versions_people_come AFTER INSERT ON people BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_people_go AFTER DELETE ON people BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_people_change AFTER UPDATE OF public_id, name, role, office, suspended_at, updated_at ON people WHEN new.public_id IS NOT old.public_id OR new.name IS NOT old.name OR new.role IS NOT old.role OR new.office IS NOT old.office OR new.suspended_at IS NOT old.suspended_at OR new.updated_at IS NOT old.updated_at BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_memberships_come AFTER INSERT ON memberships BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_memberships_go AFTER DELETE ON memberships BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_memberships_change AFTER UPDATE ON memberships BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_groups_come AFTER INSERT ON groups BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_groups_go AFTER DELETE ON groups BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_groups_change AFTER UPDATE OF name ON groups WHEN new.name IS NOT old.name BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_houses_come AFTER INSERT ON houses BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_houses_go AFTER DELETE ON houses BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_houses_change AFTER UPDATE OF guests, public_addresses ON houses WHEN new.guests IS NOT old.guests OR new.public_addresses IS NOT old.public_addresses BEGIN INSERT INTO versions VALUES ('people', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_access_list_entries_come AFTER INSERT ON access_list_entries BEGIN INSERT INTO versions VALUES ('lists', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_access_list_entries_go AFTER DELETE ON access_list_entries BEGIN INSERT INTO versions VALUES ('lists', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_access_list_entries_change AFTER UPDATE ON access_list_entries BEGIN INSERT INTO versions VALUES ('lists', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_rooms_come AFTER INSERT ON rooms BEGIN INSERT INTO versions VALUES ('rooms', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_rooms_go AFTER DELETE ON rooms BEGIN INSERT INTO versions VALUES ('rooms', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_rooms_change AFTER UPDATE OF name, in_languages, description, colour, position, access_list_id, archived_at, owner_id, practice ON rooms WHEN new.name IS NOT old.name OR new.in_languages IS NOT old.in_languages OR new.description IS NOT old.description OR new.colour IS NOT old.colour OR new.position IS NOT old.position OR new.access_list_id IS NOT old.access_list_id OR new.archived_at IS NOT old.archived_at OR new.owner_id IS NOT old.owner_id OR new.practice IS NOT old.practice BEGIN INSERT INTO versions VALUES ('rooms', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pages_come AFTER INSERT ON pages BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pages_go AFTER DELETE ON pages BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pages_change AFTER UPDATE OF public_id, title, icon, ancestry, position, room_id, bin_root_id, access_list_id ON pages WHEN new.public_id IS NOT old.public_id OR new.title IS NOT old.title OR new.icon IS NOT old.icon OR new.ancestry IS NOT old.ancestry OR new.position IS NOT old.position OR new.room_id IS NOT old.room_id OR new.bin_root_id IS NOT old.bin_root_id OR new.access_list_id IS NOT old.access_list_id BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_signposts_come AFTER INSERT ON signposts BEGIN INSERT INTO versions VALUES ('signposts', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_signposts_go AFTER DELETE ON signposts BEGIN INSERT INTO versions VALUES ('signposts', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_signposts_change AFTER UPDATE ON signposts BEGIN INSERT INTO versions VALUES ('signposts', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pins_come AFTER INSERT ON pins BEGIN INSERT INTO versions VALUES ('pins', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pins_go AFTER DELETE ON pins BEGIN INSERT INTO versions VALUES ('pins', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pins_change AFTER UPDATE ON pins BEGIN INSERT INTO versions VALUES ('pins', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pages_published AFTER UPDATE OF edition_id ON pages WHEN (new.edition_id IS NULL) IS NOT (old.edition_id IS NULL) BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TABLE IF NOT EXISTS "works" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "kind" varchar NOT NULL, "person_id" integer NOT NULL, "page_id" integer, "result_id" integer, "details" json DEFAULT '{}' NOT NULL, "state" varchar DEFAULT 'waiting' NOT NULL, "total" integer DEFAULT 0 NOT NULL, "done" integer DEFAULT 0 NOT NULL, "problem" varchar, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, "finished_at" datetime(6), announced_at datetime(6), CONSTRAINT "fk_rails_a343e87d08"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_309d7ca75a"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_d15cbde2ab"
FOREIGN KEY ("result_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_works_on_public_id" ON "works" ("public_id");
CREATE INDEX "index_works_on_person_id" ON "works" ("person_id");
CREATE INDEX "index_works_on_page_id" ON "works" ("page_id");
CREATE INDEX "index_works_on_result_id" ON "works" ("result_id");
CREATE TABLE IF NOT EXISTS "pages_under_way" ("page_id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "work_id" integer NOT NULL, "source_id" integer NOT NULL, CONSTRAINT "fk_rails_5ccdb09e26"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_cbfb53ba67"
FOREIGN KEY ("work_id")
  REFERENCES "works" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_pages_under_way_on_work_id_and_source_id" ON "pages_under_way" ("work_id", "source_id");
CREATE TRIGGER versions_works_come AFTER INSERT ON works BEGIN INSERT INTO versions VALUES ('works', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_works_go AFTER DELETE ON works BEGIN INSERT INTO versions VALUES ('works', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_works_change AFTER UPDATE OF state ON works WHEN new.state IS NOT old.state BEGIN INSERT INTO versions VALUES ('works', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE VIEW section_texts AS SELECT id, title, heading, inflated(body) AS body FROM sections;
CREATE VIRTUAL TABLE section_index USING fts5(title, heading, body, content='section_texts', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='3 5')
/* section_index(title,heading,body) */;
CREATE TABLE IF NOT EXISTS 'section_index_data'(id INTEGER PRIMARY KEY, block BLOB);
CREATE TABLE IF NOT EXISTS 'section_index_idx'(segid, term, pgno, PRIMARY KEY(segid, term)) WITHOUT ROWID;
CREATE TABLE IF NOT EXISTS 'section_index_docsize'(id INTEGER PRIMARY KEY, sz BLOB);
CREATE TABLE IF NOT EXISTS 'section_index_config'(k PRIMARY KEY, v) WITHOUT ROWID;
CREATE TRIGGER sections_after_insert AFTER INSERT ON sections BEGIN INSERT INTO section_index(rowid, title, heading, body) VALUES (new.id, new.title, new.heading, inflated(new.body)); END;
CREATE TRIGGER sections_after_delete AFTER DELETE ON sections BEGIN INSERT INTO section_index(section_index, rowid, title, heading, body) VALUES ('delete', old.id, old.title, old.heading, inflated(old.body)); END;
CREATE TRIGGER sections_after_update AFTER UPDATE OF title, heading, body ON sections BEGIN INSERT INTO section_index(section_index, rowid, title, heading, body) VALUES ('delete', old.id, old.title, old.heading, inflated(old.body)); INSERT INTO section_index(rowid, title, heading, body) VALUES (new.id, new.title, new.heading, inflated(new.body)); END;
CREATE TABLE IF NOT EXISTS "arrivals" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "person_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, "work_id" integer, repeated json NOT NULL DEFAULT '[]', made_at datetime(6), anew boolean NOT NULL DEFAULT 0, before_id integer REFERENCES arrivals (id) ON DELETE SET NULL, undone_at datetime(6), CONSTRAINT "fk_rails_d1f0041ea5"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_a25c1107b5"
FOREIGN KEY ("work_id")
  REFERENCES "works" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_arrivals_on_public_id" ON "arrivals" ("public_id");
CREATE INDEX "index_arrivals_on_person_id" ON "arrivals" ("person_id");
CREATE INDEX "index_arrivals_on_created_at" ON "arrivals" ("created_at");
CREATE INDEX "index_arrivals_on_work_id" ON "arrivals" ("work_id");
CREATE TABLE IF NOT EXISTS "disputes" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "block_id" varchar DEFAULT '' NOT NULL, "name" varchar NOT NULL, "value" json, "person_id" integer, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_12e56ba928"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_33407f5901"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_disputes_on_person_id" ON "disputes" ("person_id");
CREATE UNIQUE INDEX "index_disputes_on_page_id_and_block_id_and_name_and_value" ON "disputes" ("page_id", "block_id", "name", "value");
CREATE TABLE IF NOT EXISTS "references" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer, "room_id" integer, "signpost_id" integer, "stage" varchar NOT NULL, "use" varchar NOT NULL, "target_kind" varchar NOT NULL, "target_id" varchar NOT NULL, "target_block" varchar, "target" varchar NOT NULL, "block_id" varchar, "label" varchar NOT NULL, "context" varchar NOT NULL, "part_gone" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_a4b20efbae"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_78ca4a0555"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_be720e2f55"
FOREIGN KEY ("signpost_id")
  REFERENCES "signposts" ("id")
 ON DELETE CASCADE, CONSTRAINT known_stage CHECK (stage IN ('draft', 'edition', 'set')));
CREATE INDEX "index_references_on_room_id" ON "references" ("room_id");
CREATE INDEX "index_references_on_signpost_id" ON "references" ("signpost_id");
CREATE INDEX "index_references_on_page_id_and_stage" ON "references" ("page_id", "stage");
CREATE INDEX "index_references_on_target_kind_and_target_id" ON "references" ("target_kind", "target_id");
CREATE UNIQUE INDEX "index_promises_on_chosen_title" ON "promises" ("title") WHERE chosen;
CREATE INDEX "index_references_on_part_gone" ON "references" ("target_id") WHERE part_gone;
CREATE TABLE IF NOT EXISTS "forwardings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "from_page" varchar NOT NULL, "from_block" varchar DEFAULT '' NOT NULL, "page_id" integer NOT NULL, "block" varchar, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_b52844c64c"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_forwardings_on_page_id" ON "forwardings" ("page_id");
CREATE UNIQUE INDEX "index_forwardings_on_from_page_and_from_block" ON "forwardings" ("from_page", "from_block");
CREATE TABLE IF NOT EXISTS "web_addresses" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "address" varchar NOT NULL, "host" varchar NOT NULL, "state" varchar DEFAULT 'unchecked' NOT NULL, "moved_to" varchar, "fails" integer DEFAULT 0 NOT NULL, "checked_at" datetime(6), "due_at" datetime(6) NOT NULL);
CREATE UNIQUE INDEX "index_web_addresses_on_address" ON "web_addresses" ("address");
CREATE INDEX "index_web_addresses_on_due_at" ON "web_addresses" ("due_at");
CREATE INDEX "index_web_addresses_on_state" ON "web_addresses" ("state");
CREATE TABLE IF NOT EXISTS "passages" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "block_id" varchar NOT NULL, "name" varchar DEFAULT '' NOT NULL, CONSTRAINT "fk_rails_e810753529"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_passages_on_page_id_and_block_id" ON "passages" ("page_id", "block_id");
CREATE TABLE IF NOT EXISTS "remarks" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "kind" varchar NOT NULL, "page_id" integer, "room_id" integer, "parent_id" integer, "author_id" integer, "body" text DEFAULT '' NOT NULL, "words" text, "quote" varchar, "origin" varchar, "draft" boolean DEFAULT 0 NOT NULL, "standing" varchar DEFAULT 'open' NOT NULL, "helped" integer DEFAULT 0 NOT NULL, "answer_id" integer, "shown_page_id" integer, "edition_id" integer, "settled_by_id" integer, "settled_at" datetime(6), "created_at" datetime(6) NOT NULL, "edited_at" datetime(6), "removed_at" datetime(6), CONSTRAINT "fk_rails_f004fd11b6"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_38c14bd9a6"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_d95b0cc122"
FOREIGN KEY ("parent_id")
  REFERENCES "remarks" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c7df2e0a19"
FOREIGN KEY ("author_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_686ecc3613"
FOREIGN KEY ("answer_id")
  REFERENCES "remarks" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_3f08fd51d2"
FOREIGN KEY ("shown_page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_b804643dc4"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_881d9e2682"
FOREIGN KEY ("settled_by_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT remarks_said_to_one CHECK ((page_id IS NULL) <> (room_id IS NULL)));
CREATE UNIQUE INDEX "index_remarks_on_public_id" ON "remarks" ("public_id");
CREATE INDEX "index_remarks_on_parent_id" ON "remarks" ("parent_id");
CREATE INDEX "index_remarks_on_author_id" ON "remarks" ("author_id");
CREATE INDEX "index_remarks_on_answer_id" ON "remarks" ("answer_id");
CREATE INDEX "index_remarks_on_shown_page_id" ON "remarks" ("shown_page_id");
CREATE INDEX "index_remarks_on_edition_id" ON "remarks" ("edition_id");
CREATE INDEX "index_remarks_on_settled_by_id" ON "remarks" ("settled_by_id");
CREATE INDEX "index_remarks_on_page_id_and_kind_and_standing" ON "remarks" ("page_id", "kind", "standing");
CREATE INDEX "index_remarks_on_room_id_and_kind" ON "remarks" ("room_id", "kind");
CREATE INDEX "index_remarks_on_kind_and_standing_and_created_at" ON "remarks" ("kind", "standing", "created_at");
CREATE TABLE IF NOT EXISTS "remark_places" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "remark_id" integer NOT NULL, "stage" varchar NOT NULL, "state" varchar DEFAULT 'same' NOT NULL, "block_id" varchar NOT NULL, "start" integer, "length" integer, "exact" varchar DEFAULT '' NOT NULL, "prefix" varchar DEFAULT '' NOT NULL, "suffix" varchar DEFAULT '' NOT NULL, "file" varchar, "x" integer, "y" integer, "position" integer DEFAULT 0 NOT NULL, "candidates" json, CONSTRAINT "fk_rails_d787d46bee"
FOREIGN KEY ("remark_id")
  REFERENCES "remarks" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_remark_places_on_remark_id_and_stage" ON "remark_places" ("remark_id", "stage");
CREATE TABLE IF NOT EXISTS "voices" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "remark_id" integer NOT NULL, "person_id" integer NOT NULL, "kind" varchar NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_e4efae07e4"
FOREIGN KEY ("remark_id")
  REFERENCES "remarks" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_0d90822a3b"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_voices_on_person_id" ON "voices" ("person_id");
CREATE UNIQUE INDEX "index_voices_on_remark_id_and_person_id" ON "voices" ("remark_id", "person_id");
CREATE TABLE IF NOT EXISTS "review_rules" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer, "room_id" integer, "needed" integer DEFAULT 1 NOT NULL, "own" boolean DEFAULT 0 NOT NULL, "small" boolean DEFAULT 0 NOT NULL, "prompt" varchar DEFAULT '' NOT NULL, "remind_after" integer, CONSTRAINT "fk_rails_30ae80fd17"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_636e2df58d"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT review_rules_of_one CHECK ((page_id IS NULL) <> (room_id IS NULL)));
CREATE UNIQUE INDEX "index_review_rules_on_page_id" ON "review_rules" ("page_id");
CREATE UNIQUE INDEX "index_review_rules_on_room_id" ON "review_rules" ("room_id");
CREATE TABLE IF NOT EXISTS "review_approvers" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "review_rule_id" integer NOT NULL, "person_id" integer, "group_id" integer, CONSTRAINT "fk_rails_f26ca37124"
FOREIGN KEY ("review_rule_id")
  REFERENCES "review_rules" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_23e727640e"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c4ff7d3b42"
FOREIGN KEY ("group_id")
  REFERENCES "groups" ("id")
 ON DELETE CASCADE, CONSTRAINT review_approvers_are_one CHECK ((person_id IS NULL) <> (group_id IS NULL)));
CREATE INDEX "index_review_approvers_on_review_rule_id" ON "review_approvers" ("review_rule_id");
CREATE INDEX "index_review_approvers_on_person_id" ON "review_approvers" ("person_id");
CREATE INDEX "index_review_approvers_on_group_id" ON "review_approvers" ("group_id");
CREATE TABLE IF NOT EXISTS "reviews" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "asker_id" integer, "closed_by_id" integer, "edition_id" integer, "note" varchar DEFAULT '' NOT NULL, "reason" varchar DEFAULT '' NOT NULL, "closed" varchar, "asked_at" datetime(6) NOT NULL, "closed_at" datetime(6), "afterwards" varchar DEFAULT 'by_hand' NOT NULL, "publish_at" datetime(6), "edition_note" varchar DEFAULT '' NOT NULL, "reminded_at" datetime(6), CONSTRAINT "fk_rails_e551d8f8b8"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_d607c3b11a"
FOREIGN KEY ("asker_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_865305b2b7"
FOREIGN KEY ("closed_by_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_44e073ec3c"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_reviews_on_asker_id" ON "reviews" ("asker_id");
CREATE INDEX "index_reviews_on_closed_by_id" ON "reviews" ("closed_by_id");
CREATE INDEX "index_reviews_on_edition_id" ON "reviews" ("edition_id");
CREATE INDEX "index_reviews_on_page_id_and_id" ON "reviews" ("page_id", "id");
CREATE UNIQUE INDEX "reviews_one_open" ON "reviews" ("page_id") WHERE closed IS NULL;
CREATE TABLE IF NOT EXISTS "changers" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer NOT NULL, CONSTRAINT "fk_rails_aeeac50252"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_82d98508a3"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_changers_on_person_id" ON "changers" ("person_id");
CREATE UNIQUE INDEX "index_changers_on_page_id_and_person_id" ON "changers" ("page_id", "person_id");
CREATE TABLE IF NOT EXISTS "review_invitations" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "review_id" integer NOT NULL, "person_id" integer NOT NULL, CONSTRAINT "fk_rails_67ca213e9e"
FOREIGN KEY ("review_id")
  REFERENCES "reviews" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_5bce9c5ac1"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_review_invitations_on_person_id" ON "review_invitations" ("person_id");
CREATE UNIQUE INDEX "index_review_invitations_on_review_id_and_person_id" ON "review_invitations" ("review_id", "person_id");
CREATE TABLE IF NOT EXISTS "review_approvals" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "review_id" integer NOT NULL, "person_id" integer NOT NULL, "digest" varchar NOT NULL, "created_at" datetime(6) NOT NULL, "authority_id" integer, CONSTRAINT "fk_rails_89d40ec3bf"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_2c6afcf666"
FOREIGN KEY ("review_id")
  REFERENCES "reviews" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_879551be91"
FOREIGN KEY ("authority_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_review_approvals_on_person_id" ON "review_approvals" ("person_id");
CREATE UNIQUE INDEX "index_review_approvals_on_review_id_and_person_id" ON "review_approvals" ("review_id", "person_id");
CREATE INDEX "index_review_approvals_on_authority_id" ON "review_approvals" ("authority_id");
CREATE TABLE IF NOT EXISTS "absences" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "deputy_id" integer NOT NULL, "starts_on" date NOT NULL, "ends_on" date NOT NULL, CONSTRAINT "fk_rails_8513cb95a6"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c7a409c2c6"
FOREIGN KEY ("deputy_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT absences_of_two CHECK (person_id <> deputy_id), CONSTRAINT absences_in_order CHECK (starts_on <= ends_on));
CREATE UNIQUE INDEX "index_absences_on_person_id" ON "absences" ("person_id");
CREATE INDEX "index_absences_on_deputy_id" ON "absences" ("deputy_id");
CREATE TABLE IF NOT EXISTS "timed_publications" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer NOT NULL, "review_id" integer, "draft_version" integer NOT NULL, "title" varchar NOT NULL, "digest" varchar NOT NULL, "note" varchar DEFAULT '' NOT NULL, "small" boolean DEFAULT 0 NOT NULL, "due_at" datetime(6) NOT NULL, "held_up" varchar, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_f4450bb766"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_ed705e4403"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_0e96a03479"
FOREIGN KEY ("review_id")
  REFERENCES "reviews" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_timed_publications_on_page_id" ON "timed_publications" ("page_id");
CREATE INDEX "index_timed_publications_on_person_id" ON "timed_publications" ("person_id");
CREATE INDEX "index_timed_publications_on_review_id" ON "timed_publications" ("review_id");
CREATE INDEX "index_timed_publications_on_due_at" ON "timed_publications" ("due_at");
CREATE TRIGGER versions_reviews_come AFTER INSERT ON reviews BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_reviews_go AFTER DELETE ON reviews BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_reviews_change AFTER UPDATE ON reviews BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvals_come AFTER INSERT ON review_approvals BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvals_go AFTER DELETE ON review_approvals BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvals_change AFTER UPDATE ON review_approvals BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_invitations_come AFTER INSERT ON review_invitations BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_invitations_go AFTER DELETE ON review_invitations BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_invitations_change AFTER UPDATE ON review_invitations BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_rules_come AFTER INSERT ON review_rules BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_rules_go AFTER DELETE ON review_rules BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_rules_change AFTER UPDATE ON review_rules BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvers_come AFTER INSERT ON review_approvers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvers_go AFTER DELETE ON review_approvers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_review_approvers_change AFTER UPDATE ON review_approvers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_absences_come AFTER INSERT ON absences BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_absences_go AFTER DELETE ON absences BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_absences_change AFTER UPDATE ON absences BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_changers_come AFTER INSERT ON changers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_changers_go AFTER DELETE ON changers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_changers_change AFTER UPDATE ON changers BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_reviewed_drafts AFTER UPDATE OF draft_id ON pages WHEN EXISTS (SELECT 1 FROM reviews WHERE reviews.page_id = new.id AND reviews.closed IS NULL) BEGIN INSERT INTO versions VALUES ('reviews', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TABLE IF NOT EXISTS "edition_writers" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "edition_id" integer NOT NULL, "person_id" integer NOT NULL, CONSTRAINT "fk_rails_70e8a56283"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_7232c6e09d"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_edition_writers_on_person_id" ON "edition_writers" ("person_id");
CREATE UNIQUE INDEX "index_edition_writers_on_edition_id_and_person_id" ON "edition_writers" ("edition_id", "person_id");
CREATE TABLE IF NOT EXISTS "edition_readings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "edition_id" integer NOT NULL, "person_id" integer NOT NULL, "read_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_44d001ffc8"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_33c80e911d"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_edition_readings_on_person_id" ON "edition_readings" ("person_id");
CREATE UNIQUE INDEX "index_edition_readings_on_edition_id_and_person_id" ON "edition_readings" ("edition_id", "person_id");
CREATE TABLE IF NOT EXISTS "retractions" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "edition_id" integer NOT NULL, "person_id" integer, "reason" varchar NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_d74d76592d"
FOREIGN KEY ("edition_id")
  REFERENCES "editions" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_331cd221a5"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_retractions_on_edition_id" ON "retractions" ("edition_id");
CREATE INDEX "index_retractions_on_person_id" ON "retractions" ("person_id");
CREATE TABLE IF NOT EXISTS "attributions" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "stage" varchar NOT NULL, "digest" varchar NOT NULL, "body" blob NOT NULL, CONSTRAINT "fk_rails_26865746ce"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_attributions_on_page_id_and_stage" ON "attributions" ("page_id", "stage");
CREATE TABLE IF NOT EXISTS "put_asides" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer, "reason" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_9534c13233"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_b92ba09c60"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_put_asides_on_page_id" ON "put_asides" ("page_id");
CREATE INDEX "index_put_asides_on_person_id" ON "put_asides" ("person_id");
CREATE TRIGGER versions_put_asides_come AFTER INSERT ON put_asides BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_put_asides_go AFTER DELETE ON put_asides BEGIN INSERT INTO versions VALUES ('pages', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TABLE IF NOT EXISTS "feed_keys" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "token" varchar NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_d2a1c53635"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_feed_keys_on_person_id" ON "feed_keys" ("person_id");
CREATE UNIQUE INDEX "index_feed_keys_on_token" ON "feed_keys" ("token");
CREATE TABLE words (word varchar NOT NULL PRIMARY KEY, english varchar NOT NULL, german varchar NOT NULL, backwards varchar NOT NULL) WITHOUT ROWID;
CREATE INDEX index_words_on_english ON words (english);
CREATE INDEX index_words_on_german ON words (german);
CREATE INDEX index_words_on_backwards ON words (backwards);
CREATE TABLE word_counts (word varchar NOT NULL, access_list_id integer NOT NULL REFERENCES access_lists (id) ON DELETE CASCADE, sections integer NOT NULL, PRIMARY KEY (word, access_list_id)) WITHOUT ROWID;
CREATE INDEX index_word_counts_on_access_list_id ON word_counts (access_list_id);
CREATE TABLE counted_pages (page_id integer NOT NULL PRIMARY KEY REFERENCES pages (id) ON DELETE CASCADE, access_list_id integer NOT NULL, edition_id integer NOT NULL, words blob NOT NULL);
CREATE TRIGGER counted_pages_come AFTER INSERT ON counted_pages BEGIN INSERT INTO word_counts (word, access_list_id, sections) SELECT key, new.access_list_id, value FROM json_each(inflated(new.words)) WHERE true ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections; END;
CREATE TABLE IF NOT EXISTS "terms" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "name" varchar NOT NULL, "meaning" varchar DEFAULT '' NOT NULL, "others" json DEFAULT '[]' NOT NULL, "language" varchar, "person_id" integer, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_affa24f8c3"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_terms_on_public_id" ON "terms" ("public_id");
CREATE INDEX "index_terms_on_person_id" ON "terms" ("person_id");
CREATE TABLE IF NOT EXISTS "kept_searches" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "person_id" integer NOT NULL, "text" varchar NOT NULL, "filters" varchar DEFAULT '' NOT NULL, "looked_at" datetime(6) NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_07e1216b04"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_kept_searches_on_public_id" ON "kept_searches" ("public_id");
CREATE UNIQUE INDEX "index_kept_searches_on_person_id_and_text_and_filters" ON "kept_searches" ("person_id", "text", "filters");
CREATE TABLE IF NOT EXISTS "soughts" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "wording" varchar NOT NULL, "digest" varchar NOT NULL, "answered" boolean NOT NULL, "opened" boolean DEFAULT 0 NOT NULL, "day" date NOT NULL);
CREATE INDEX "index_soughts_on_day" ON "soughts" ("day");
CREATE UNIQUE INDEX "index_soughts_on_wording_and_digest" ON "soughts" ("wording", "digest");
CREATE TABLE IF NOT EXISTS "file_texts" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "blob_id" integer NOT NULL, "pieces" blob NOT NULL, CONSTRAINT "fk_rails_909d706aa1"
FOREIGN KEY ("blob_id")
  REFERENCES "active_storage_blobs" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_file_texts_on_blob_id" ON "file_texts" ("blob_id");
CREATE TRIGGER versions_taggings_come AFTER INSERT ON taggings BEGIN INSERT INTO versions VALUES ('tags', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_taggings_go AFTER DELETE ON taggings BEGIN INSERT INTO versions VALUES ('tags', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_tags_change AFTER UPDATE ON tags BEGIN INSERT INTO versions VALUES ('tags', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_pages_languages AFTER UPDATE OF language ON pages WHEN new.language IS NOT old.language BEGIN INSERT INTO versions VALUES ('tags', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE INDEX "index_sections_on_page_file_id" ON "sections" ("page_file_id") WHERE page_file_id IS NOT NULL;
CREATE TABLE IF NOT EXISTS "arrived_files" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "arrival_id" integer NOT NULL, "kind" varchar NOT NULL, "path" varchar NOT NULL, "key" varchar, "part_of_id" integer, "above_id" integer, "position" integer DEFAULT 0 NOT NULL, "title" varchar, "problem" varchar, "left_out" boolean DEFAULT 0 NOT NULL, "words" integer DEFAULT 0 NOT NULL, "losses" integer DEFAULT 0 NOT NULL, "pictures" integer DEFAULT 0 NOT NULL, "survey" blob, "reading" blob, "anchors" blob, "page_id" integer, "known_page_id" integer, "same" boolean DEFAULT 0 NOT NULL, clash varchar, leads_on TEXT, CONSTRAINT "fk_rails_2dfd070c86"
FOREIGN KEY ("arrival_id")
  REFERENCES "arrivals" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_838dc8faa5"
FOREIGN KEY ("part_of_id")
  REFERENCES "arrived_files" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_c234ef75f1"
FOREIGN KEY ("above_id")
  REFERENCES "arrived_files" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_dfee732cf1"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_1bdeff5863"
FOREIGN KEY ("known_page_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_arrived_files_on_key" ON "arrived_files" ("key");
CREATE INDEX "index_arrived_files_on_part_of_id" ON "arrived_files" ("part_of_id");
CREATE INDEX "index_arrived_files_on_above_id" ON "arrived_files" ("above_id");
CREATE INDEX "index_arrived_files_on_page_id" ON "arrived_files" ("page_id");
CREATE INDEX "index_arrived_files_on_known_page_id" ON "arrived_files" ("known_page_id");
CREATE UNIQUE INDEX "index_arrived_files_on_arrival_id_and_path" ON "arrived_files" ("arrival_id", "path");
CREATE INDEX index_arrivals_on_before_id ON arrivals (before_id);
CREATE UNIQUE INDEX one_grant_for_each_holder ON access_grants (COALESCE(room_id, 0), COALESCE(page_id, 0), holder, COALESCE(person_id, 0), COALESCE(group_id, 0), ends_on IS NULL);
CREATE UNIQUE INDEX one_entry_for_each_holder ON access_list_entries (access_list_id, holder, COALESCE(person_id, 0), COALESCE(group_id, 0), level);
CREATE INDEX grants_that_end ON access_grants (ends_on) WHERE ends_on IS NOT NULL;
CREATE TABLE IF NOT EXISTS "invitations" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "token_digest" varchar NOT NULL, "email" varchar NOT NULL, "name" varchar DEFAULT '' NOT NULL, "role" varchar NOT NULL, "room_id" integer, "page_id" integer, "group_id" integer, "level" integer, "ends_on" date, "words" varchar DEFAULT '' NOT NULL, "inviter_id" integer, "person_id" integer, "created_at" datetime(6) NOT NULL, "expires_at" datetime(6) NOT NULL, "taken_at" datetime(6), "withdrawn_at" datetime(6), CONSTRAINT "fk_rails_659b0dd1e2"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_e632dd0ddb"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_fe69389933"
FOREIGN KEY ("group_id")
  REFERENCES "groups" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_7480156672"
FOREIGN KEY ("inviter_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_32fdfcd79a"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_invitations_on_public_id" ON "invitations" ("public_id");
CREATE UNIQUE INDEX "index_invitations_on_token_digest" ON "invitations" ("token_digest");
CREATE INDEX "index_invitations_on_email" ON "invitations" ("email");
CREATE INDEX "index_invitations_on_room_id" ON "invitations" ("room_id");
CREATE INDEX "index_invitations_on_page_id" ON "invitations" ("page_id");
CREATE INDEX "index_invitations_on_group_id" ON "invitations" ("group_id");
CREATE INDEX "index_invitations_on_inviter_id" ON "invitations" ("inviter_id");
CREATE INDEX "index_invitations_on_person_id" ON "invitations" ("person_id");
CREATE UNIQUE INDEX one_open_invitation_to_each_place ON invitations (email, COALESCE(room_id, 0), COALESCE(page_id, 0), COALESCE(group_id, 0)) WHERE taken_at IS NULL AND withdrawn_at IS NULL;
CREATE TABLE IF NOT EXISTS "access_requests" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "person_id" integer NOT NULL, "address" varchar NOT NULL, "page_id" integer, "room_id" integer, "words" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, "answered_at" datetime(6), "answered_by_id" integer, "given" boolean, CONSTRAINT "fk_rails_092a7369c6"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_6d6689aa0e"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_0ae68bb4c7"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_e71364d474"
FOREIGN KEY ("answered_by_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_access_requests_on_public_id" ON "access_requests" ("public_id");
CREATE INDEX "index_access_requests_on_page_id" ON "access_requests" ("page_id");
CREATE INDEX "index_access_requests_on_room_id" ON "access_requests" ("room_id");
CREATE INDEX "index_access_requests_on_person_id_and_created_at" ON "access_requests" ("person_id", "created_at");
CREATE TABLE IF NOT EXISTS "join_requests" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "email" varchar NOT NULL, "token_digest" varchar, "name" varchar DEFAULT '' NOT NULL, "words" text DEFAULT '' NOT NULL, "sent_at" datetime(6) NOT NULL, "asked_at" datetime(6), "answered_at" datetime(6), "given" boolean, "answered_by_id" integer, CONSTRAINT "fk_rails_6b97a088c9"
FOREIGN KEY ("answered_by_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_join_requests_on_public_id" ON "join_requests" ("public_id");
CREATE UNIQUE INDEX "index_join_requests_on_token_digest" ON "join_requests" ("token_digest");
CREATE UNIQUE INDEX "index_join_requests_unanswered" ON "join_requests" ("email") WHERE answered_at IS NULL;
CREATE TABLE IF NOT EXISTS "slips" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "token_digest" varchar NOT NULL, "expires_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_72ea0f4691"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_slips_on_person_id" ON "slips" ("person_id");
CREATE UNIQUE INDEX "index_slips_on_token_digest" ON "slips" ("token_digest");
CREATE TABLE IF NOT EXISTS "follows" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "page_id" integer, "room_id" integer, "tag_id" integer, "kept_search_id" integer, "below" boolean DEFAULT 0 NOT NULL, "stopped" boolean DEFAULT 0 NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_4441b4bd6f"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_1b8f05774b"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_99e43b8168"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_2852eb36f6"
FOREIGN KEY ("tag_id")
  REFERENCES "tags" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_1d94472514"
FOREIGN KEY ("kept_search_id")
  REFERENCES "kept_searches" ("id")
 ON DELETE CASCADE, CONSTRAINT follows_one_thing CHECK ((page_id IS NOT NULL) + (room_id IS NOT NULL) + (tag_id IS NOT NULL) + (kept_search_id IS NOT NULL) = 1));
CREATE INDEX "index_follows_on_page_id" ON "follows" ("page_id");
CREATE INDEX "index_follows_on_room_id" ON "follows" ("room_id");
CREATE INDEX "index_follows_on_tag_id" ON "follows" ("tag_id");
CREATE INDEX "index_follows_on_kept_search_id" ON "follows" ("kept_search_id");
CREATE UNIQUE INDEX "index_follows_on_person_id_and_page_id" ON "follows" ("person_id", "page_id") WHERE page_id IS NOT NULL;
CREATE UNIQUE INDEX "index_follows_on_person_id_and_room_id" ON "follows" ("person_id", "room_id") WHERE room_id IS NOT NULL;
CREATE UNIQUE INDEX "index_follows_on_person_id_and_tag_id" ON "follows" ("person_id", "tag_id") WHERE tag_id IS NOT NULL;
CREATE UNIQUE INDEX "index_follows_on_person_id_and_kept_search_id" ON "follows" ("person_id", "kept_search_id") WHERE kept_search_id IS NOT NULL;
CREATE TABLE IF NOT EXISTS "tellings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "happening_id" integer NOT NULL, "person_id" integer NOT NULL, "page_id" integer, "room_id" integer, "place" integer NOT NULL, "personal" boolean NOT NULL, "happened_at" datetime(6) NOT NULL, "reason" varchar NOT NULL, "sight" varchar DEFAULT 'edition' NOT NULL, "created_at" datetime(6) NOT NULL, "seen_at" datetime(6), "mail_at" datetime(6), "mailed_at" datetime(6), CONSTRAINT "fk_rails_3a1a780539"
FOREIGN KEY ("happening_id")
  REFERENCES "happenings" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_d597fec89b"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_0334f0a621"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_f1892c80b4"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_tellings_on_happening_id_and_person_id" ON "tellings" ("happening_id", "person_id");
CREATE INDEX "index_tellings_unseen" ON "tellings" ("person_id", "page_id") WHERE seen_at IS NULL;
CREATE INDEX "index_tellings_on_person_id_and_happened_at" ON "tellings" ("person_id", "happened_at");
CREATE INDEX "index_tellings_on_page_id" ON "tellings" ("page_id");
CREATE INDEX "index_tellings_on_room_id" ON "tellings" ("room_id");
CREATE INDEX "index_tellings_to_mail" ON "tellings" ("mail_at") WHERE mailed_at IS NULL AND mail_at IS NOT NULL;
CREATE TABLE IF NOT EXISTS "news_settings" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "person_id" integer NOT NULL, "ways" json DEFAULT '{}' NOT NULL, "quiet_from" integer, "quiet_until" integer, "letter_hour" integer DEFAULT 7 NOT NULL, "letter_day" integer DEFAULT 1 NOT NULL, "follows_own" boolean DEFAULT 1 NOT NULL, desk_letter boolean NOT NULL DEFAULT 1, desk_letter_at datetime(6), CONSTRAINT "fk_rails_3a8f5058cf"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_news_settings_on_person_id" ON "news_settings" ("person_id");
CREATE TABLE IF NOT EXISTS "room_patterns" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "name" varchar COLLATE "NOCASE" NOT NULL, "description" varchar DEFAULT '' NOT NULL, "everyone" varchar NOT NULL, "team" varchar NOT NULL, "created_at" datetime(6) NOT NULL, "updated_at" datetime(6) NOT NULL);
CREATE UNIQUE INDEX "index_room_patterns_on_public_id" ON "room_patterns" ("public_id");
CREATE UNIQUE INDEX "index_room_patterns_on_name" ON "room_patterns" ("name");
CREATE TABLE IF NOT EXISTS "room_pattern_parts" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "room_pattern_id" integer NOT NULL, "position" integer NOT NULL, "title" varchar NOT NULL, "shut" boolean DEFAULT 0 NOT NULL, "template_key" varchar, CONSTRAINT "fk_rails_9da473c090"
FOREIGN KEY ("room_pattern_id")
  REFERENCES "room_patterns" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_room_pattern_parts_on_room_pattern_id_and_position" ON "room_pattern_parts" ("room_pattern_id", "position");
CREATE TABLE IF NOT EXISTS "circles" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "public_id" varchar NOT NULL, "token_digest" varchar NOT NULL, "room_id" integer, "page_id" integer, "level" integer NOT NULL, "ends_on" date, "opened" integer DEFAULT 0 NOT NULL, "keeper_id" integer NOT NULL, "created_at" datetime(6) NOT NULL, "ended_at" datetime(6), CONSTRAINT "fk_rails_c44f22a0ed"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_fcfcde20a9"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_b7fcc85edb"
FOREIGN KEY ("keeper_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT circles_end_but_for_rooms CHECK (ends_on IS NOT NULL OR room_id IS NOT NULL));
CREATE UNIQUE INDEX "index_circles_on_public_id" ON "circles" ("public_id");
CREATE UNIQUE INDEX "index_circles_on_token_digest" ON "circles" ("token_digest");
CREATE INDEX "index_circles_on_room_id" ON "circles" ("room_id");
CREATE INDEX "index_circles_on_page_id" ON "circles" ("page_id");
CREATE UNIQUE INDEX "index_circles_joining" ON "circles" ("room_id") WHERE ends_on IS NULL AND ended_at IS NULL;
CREATE TABLE IF NOT EXISTS "other_names" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "name" varchar COLLATE "NOCASE" NOT NULL, CONSTRAINT "fk_rails_3edde09119"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE UNIQUE INDEX "index_other_names_on_page_id_and_name" ON "other_names" ("page_id", "name");
CREATE INDEX "index_other_names_on_name" ON "other_names" ("name");
CREATE VIRTUAL TABLE name_index USING fts5(name, content='other_names', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='1 2 3 4')
/* name_index(name) */;
CREATE TABLE IF NOT EXISTS 'name_index_data'(id INTEGER PRIMARY KEY, block BLOB);
CREATE TABLE IF NOT EXISTS 'name_index_idx'(segid, term, pgno, PRIMARY KEY(segid, term)) WITHOUT ROWID;
CREATE TABLE IF NOT EXISTS 'name_index_docsize'(id INTEGER PRIMARY KEY, sz BLOB);
CREATE TABLE IF NOT EXISTS 'name_index_config'(k PRIMARY KEY, v) WITHOUT ROWID;
CREATE TRIGGER other_names_after_insert AFTER INSERT ON other_names BEGIN INSERT INTO name_index(rowid, name) VALUES (new.id, new.name); END;
CREATE TRIGGER other_names_after_delete AFTER DELETE ON other_names BEGIN INSERT INTO name_index(name_index, rowid, name) VALUES ('delete', old.id, old.name); END;
CREATE TABLE IF NOT EXISTS "known_names" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "name" varchar NOT NULL, "rules" varchar DEFAULT '' NOT NULL, "first" varchar NOT NULL, "looked_for" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_42b042b651"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_known_names_on_page_id" ON "known_names" ("page_id");
CREATE INDEX "index_known_names_on_rules_and_first" ON "known_names" ("rules", "first");
CREATE INDEX "index_known_names_on_looked_for" ON "known_names" ("looked_for") WHERE NOT looked_for;
CREATE TABLE IF NOT EXISTS "unlinked_names" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "target_id" integer NOT NULL, "block_id" varchar NOT NULL, "start" integer NOT NULL, "length" integer NOT NULL, "drafted" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_4b7af780c8"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_acdf567cc2"
FOREIGN KEY ("target_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_unlinked_names_on_target_id" ON "unlinked_names" ("target_id");
CREATE UNIQUE INDEX "index_unlinked_names_places" ON "unlinked_names" ("page_id", "block_id", "start", "length", "target_id");
CREATE TABLE IF NOT EXISTS "names_read" ("page_id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "edition_id" integer NOT NULL, CONSTRAINT "fk_rails_310c56fefa"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE TABLE IF NOT EXISTS "check_rules" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer, "room_id" integer, "months" integer, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_a9fd60e45e"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_119223274e"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT of_one_place CHECK ((page_id IS NULL) <> (room_id IS NULL)), CONSTRAINT some_months CHECK (months IS NULL OR months BETWEEN 1 AND 120));
CREATE UNIQUE INDEX "index_check_rules_on_page_id" ON "check_rules" ("page_id") WHERE page_id IS NOT NULL;
CREATE UNIQUE INDEX "index_check_rules_on_room_id" ON "check_rules" ("room_id") WHERE room_id IS NOT NULL;
CREATE TABLE IF NOT EXISTS "checks" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer, "edition" integer NOT NULL, "note" varchar DEFAULT '' NOT NULL, "checked_at" datetime(6) NOT NULL, "base_before" datetime(6) NOT NULL, CONSTRAINT "fk_rails_c017d0d9e8"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_208f54777e"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_checks_on_person_id" ON "checks" ("person_id");
CREATE INDEX "index_checks_on_page_id_and_checked_at" ON "checks" ("page_id", "checked_at");
CREATE TABLE IF NOT EXISTS "check_dates" ("page_id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "base_at" datetime(6) NOT NULL, "since" date NOT NULL, "months" integer, "due_on" date, "told" varchar, "days_read" boolean DEFAULT 0 NOT NULL, CONSTRAINT "fk_rails_9e13724992"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_check_dates_on_due_on" ON "check_dates" ("due_on") WHERE due_on IS NOT NULL;
CREATE INDEX "index_check_dates_on_days_read" ON "check_dates" ("days_read") WHERE NOT days_read;
CREATE TABLE IF NOT EXISTS "out_of_date_marks" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer, "see_id" integer, "words" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_03a416105e"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_4f5cbfcae0"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE SET NULL, CONSTRAINT "fk_rails_36277cc6a3"
FOREIGN KEY ("see_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL);
CREATE UNIQUE INDEX "index_out_of_date_marks_on_page_id" ON "out_of_date_marks" ("page_id");
CREATE INDEX "index_out_of_date_marks_on_person_id" ON "out_of_date_marks" ("person_id");
CREATE INDEX "index_out_of_date_marks_on_see_id" ON "out_of_date_marks" ("see_id");
CREATE TABLE IF NOT EXISTS "text_dates" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "day" date NOT NULL, "block_id" varchar NOT NULL, "words" varchar NOT NULL, CONSTRAINT "fk_rails_430971992c"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_text_dates_on_page_id_and_day" ON "text_dates" ("page_id", "day");
CREATE TABLE IF NOT EXISTS "help_answers" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "person_id" integer NOT NULL, "helped" boolean NOT NULL, "words" varchar DEFAULT '' NOT NULL, "created_at" datetime(6) NOT NULL, "seen_at" datetime(6), CONSTRAINT "fk_rails_921ca83c8d"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_abb7120f54"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_help_answers_on_person_id" ON "help_answers" ("person_id");
CREATE UNIQUE INDEX "index_help_answers_on_page_id_and_person_id" ON "help_answers" ("page_id", "person_id");
CREATE INDEX "index_help_answers_waiting" ON "help_answers" ("created_at") WHERE NOT helped AND seen_at IS NULL;
CREATE TABLE IF NOT EXISTS "tours" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "room_id" integer NOT NULL, "person_id" integer NOT NULL, "page_id" integer, "begun_at" datetime(6) NOT NULL, "ended_at" datetime(6), CONSTRAINT "fk_rails_754a112cc6"
FOREIGN KEY ("room_id")
  REFERENCES "rooms" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_8377303dec"
FOREIGN KEY ("person_id")
  REFERENCES "people" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_52fec7ea4a"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE SET NULL);
CREATE INDEX "index_tours_on_person_id" ON "tours" ("person_id");
CREATE INDEX "index_tours_on_page_id" ON "tours" ("page_id");
CREATE UNIQUE INDEX "index_tours_going_on" ON "tours" ("room_id", "person_id") WHERE ended_at IS NULL;
CREATE TABLE IF NOT EXISTS "tour_stops" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "tour_id" integer NOT NULL, "page_id" integer NOT NULL, "said" varchar NOT NULL, "said_at" datetime(6) NOT NULL, CONSTRAINT "fk_rails_867560a783"
FOREIGN KEY ("tour_id")
  REFERENCES "tours" ("id")
 ON DELETE CASCADE, CONSTRAINT "fk_rails_27a4c2a52a"
FOREIGN KEY ("page_id")
  REFERENCES "pages" ("id")
 ON DELETE CASCADE);
CREATE INDEX "index_tour_stops_on_page_id" ON "tour_stops" ("page_id");
CREATE UNIQUE INDEX "index_tour_stops_on_tour_id_and_page_id" ON "tour_stops" ("tour_id", "page_id");
CREATE INDEX "index_readings_on_page_id_and_read_at" ON "readings" ("page_id", "read_at");
CREATE TRIGGER versions_references_come AFTER INSERT ON "references" WHEN new.stage <> 'draft' BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_references_go AFTER DELETE ON "references" WHEN old.stage <> 'draft' BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_references_change AFTER UPDATE ON "references" WHEN new.stage <> 'draft' BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_promises_come AFTER INSERT ON promises BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_promises_go AFTER DELETE ON promises BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_promises_change AFTER UPDATE ON promises BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_templates_come AFTER INSERT ON templates BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_templates_go AFTER DELETE ON templates BEGIN INSERT INTO versions VALUES ('links', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE INDEX index_editions_not_small ON editions (page_id, published_at) WHERE NOT small;
CREATE TRIGGER counted_pages_go AFTER DELETE ON counted_pages BEGIN INSERT INTO word_counts (word, access_list_id, sections) SELECT key, old.access_list_id, -value FROM json_each(inflated(old.words)) WHERE true ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections; DELETE FROM word_counts WHERE access_list_id = old.access_list_id AND sections <= 0 AND word IN (SELECT key FROM json_each(inflated(old.words))); END;
CREATE TRIGGER versions_forwardings_come AFTER INSERT ON forwardings BEGIN INSERT INTO versions VALUES ('forwardings', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_forwardings_go AFTER DELETE ON forwardings BEGIN INSERT INTO versions VALUES ('forwardings', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE TRIGGER versions_forwardings_change AFTER UPDATE ON forwardings BEGIN INSERT INTO versions VALUES ('forwardings', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;
CREATE INDEX "index_pages_on_access_list_id" ON "pages" ("access_list_id", "bin_root_id", "edition_id", "room_id");
CREATE TRIGGER counted_pages_change AFTER UPDATE OF words ON counted_pages BEGIN INSERT INTO word_counts (word, access_list_id, sections) SELECT key, new.access_list_id, value FROM json_each(counted_differences(old.words, new.words)) WHERE true ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections; DELETE FROM word_counts WHERE access_list_id = new.access_list_id AND sections <= 0 AND word IN (SELECT key FROM json_each(counted_differences(old.words, new.words)) WHERE value < 0); END;
CREATE TRIGGER counted_pages_stay_in_their_list BEFORE UPDATE OF access_list_id ON counted_pages WHEN new.access_list_id <> old.access_list_id BEGIN SELECT RAISE(ABORT, 'what is counted for another list is counted anew'); END;
CREATE INDEX index_references_inserts ON "references" (target_id, page_id, target_kind, "use", stage) WHERE "use" = 'insert' AND stage = 'edition';
CREATE INDEX index_references_cites ON "references" (target_id, page_id, target_kind, "use", stage) WHERE "use" = 'cite' AND stage = 'edition';
CREATE INDEX "index_check_dates_on_base_at" ON "check_dates" ("base_at");
CREATE INDEX "index_text_dates_on_day_and_page_id" ON "text_dates" ("day", "page_id");
INSERT INTO "schema_migrations" (version) VALUES
('20261202000023'),
('20261202000022'),
('20261201000021'),
('20261201000020'),
('20261127000019'),
('20261127000018'),
('20261127000017'),
('20261127000016'),
('20261127000015'),
('20261127000014'),
('20261127000013'),
('20261127000012'),
('20261127000011'),
('20261127000010'),
('20261127000009'),
('20261127000008'),
('20261127000007'),
('20261127000006'),
('20261127000005'),
('20261127000004'),
('20261127000003'),
('20261127000002'),
('20261127000001'),
('20261126000017'),
('20261126000016'),
('20261126000015'),
('20261126000014'),
('20261126000013'),
('20261126000012'),
('20261126000011'),
('20261126000010'),
('20261126000009'),
('20261126000008'),
('20261126000007'),
('20261126000006'),
('20261126000005'),
('20261126000004'),
('20261126000003'),
('20261126000002'),
('20261126000001'),
('20261125000016'),
('20261125000015'),
('20261125000014'),
('20261125000013'),
('20261125000012'),
('20261125000011'),
('20261125000010'),
('20261125000009'),
('20261125000008'),
('20261125000007'),
('20261125000006'),
('20261125000005'),
('20261125000004'),
('20261125000003'),
('20261125000002'),
('20261125000001'),
('20261124000012'),
('20261124000011'),
('20261124000010'),
('20261124000009'),
('20261124000008'),
('20261124000007'),
('20261124000006'),
('20261124000005'),
('20261124000004'),
('20261124000003'),
('20261124000002'),
('20261124000001'),
('20261123000007'),
('20261123000006'),
('20261123000005'),
('20261123000004'),
('20261123000003'),
('20261123000002'),
('20261123000001');

