require "zlib"

# Each document of a page lies once, by its digest and compressed; drafts and editions say which they hold. Goes through the
# rows in portions, each a transaction of its own, and goes on where it was stopped.
class KeepTextsOnce < ActiveRecord::Migration[7.2]
  disable_ddl_transaction!

  PORTION = 500 # rows

  TABLES = {
    "drafts" => { columns: %w[id page_id version base_version save_id title digest new_ids author_id created_at], sql: <<~SQL, indexes: <<~INDEXES },
      CREATE TABLE IF NOT EXISTS "%s" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "version" integer, "base_version" integer NOT NULL,
        "save_id" varchar NOT NULL, "title" varchar NOT NULL, "digest" varchar NOT NULL, "new_ids" json NOT NULL, "author_id" integer NOT NULL, "created_at" datetime(6) NOT NULL,
        FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE,
        FOREIGN KEY ("page_id", "digest") REFERENCES "texts" ("page_id", "digest") DEFERRABLE INITIALLY DEFERRED,
        FOREIGN KEY ("author_id") REFERENCES "people" ("id"))
    SQL
      CREATE INDEX "index_drafts_on_author_id" ON "drafts" ("author_id");
      CREATE UNIQUE INDEX "index_drafts_on_page_id_and_version" ON "drafts" ("page_id", "version");
      CREATE UNIQUE INDEX "index_drafts_on_page_id_and_author_id_and_save_id" ON "drafts" ("page_id", "author_id", "save_id");
      CREATE INDEX "index_drafts_on_page_id_and_digest" ON "drafts" ("page_id", "digest")
    INDEXES
    "editions" => { columns: %w[id page_id number draft_version title digest author_id note small published_at], sql: <<~SQL, indexes: <<~INDEXES }
      CREATE TABLE IF NOT EXISTS "%s" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "page_id" integer NOT NULL, "number" integer NOT NULL, "draft_version" integer,
        "title" varchar NOT NULL, "digest" varchar NOT NULL, "author_id" integer NOT NULL, "note" varchar DEFAULT '' NOT NULL, "small" boolean DEFAULT 0 NOT NULL, "published_at" datetime(6) NOT NULL,
        FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE,
        FOREIGN KEY ("page_id", "digest") REFERENCES "texts" ("page_id", "digest") DEFERRABLE INITIALLY DEFERRED,
        FOREIGN KEY ("author_id") REFERENCES "people" ("id"))
    SQL
      CREATE INDEX "index_editions_on_author_id" ON "editions" ("author_id");
      CREATE INDEX "index_editions_on_published_at" ON "editions" ("published_at");
      CREATE UNIQUE INDEX "index_editions_on_page_id_and_number" ON "editions" ("page_id", "number");
      CREATE INDEX "index_editions_on_page_id_and_digest" ON "editions" ("page_id", "digest")
    INDEXES
  }.freeze

  def up
    before = megabytes
    create_texts
    without_foreign_keys { TABLES.each { |table, shape| take_apart(table, shape) } }
    harmed = connection.select_rows("PRAGMA foreign_key_check")
    raise "rows that refer to nothing: #{harmed.first(5).inspect}" if harmed.any?

    compact
    say("the database: #{before} MB before, #{megabytes} MB now, #{connection.select_value("SELECT COUNT(*) FROM texts")} texts")
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def create_texts
    connection.execute(<<~SQL)
      CREATE TABLE IF NOT EXISTS "texts" ("page_id" integer NOT NULL, "digest" varchar NOT NULL, "body" blob NOT NULL,
        PRIMARY KEY ("page_id", "digest"), FOREIGN KEY ("page_id") REFERENCES "pages" ("id") ON DELETE CASCADE)
    SQL
  end

  def without_foreign_keys
    connection.execute("PRAGMA foreign_keys = OFF")
    yield
  ensure
    connection.execute("PRAGMA foreign_keys = ON")
  end

  # A table's new form is filled beside it and takes its place when all is there.
  def take_apart(table, shape)
    return unless connection.column_exists?(table, :document)

    aside = "#{table}_with_digests"
    connection.execute(format(shape[:sql], aside))
    nil while connection.transaction { fill(table, aside, shape[:columns]) }
    connection.transaction do
      raise "#{table}: not all rows are there" unless connection.select_value("SELECT COUNT(*) FROM #{table}") == connection.select_value("SELECT COUNT(*) FROM #{aside}")

      connection.execute("DROP TABLE #{table}")
      connection.execute("ALTER TABLE #{aside} RENAME TO #{table}")
      shape[:indexes].split(";").each { |sql| connection.execute(sql.strip) }
    end
    connection.schema_cache.clear_data_source_cache!(table)
  end

  # @return [Boolean] whether there was a portion to take
  def fill(table, aside, columns)
    last = connection.select_value("SELECT MAX(id) FROM #{aside}").to_i
    rows = connection.select_rows("SELECT id, page_id, document FROM #{table} WHERE id > #{last} ORDER BY id LIMIT #{PORTION}")
    digests = rows.to_h { |id, page_id, document| [ id, keep(page_id, document) ] }
    return false if digests.empty?

    cases = digests.map { |id, digest| "WHEN #{id} THEN '#{digest}'" }.join(" ")
    picked = columns.map { |name| name == "digest" ? "CASE id #{cases} END" : name }.join(", ")
    connection.execute("INSERT INTO #{aside} (#{columns.join(", ")}) SELECT #{picked} FROM #{table} WHERE id BETWEEN #{digests.keys.first} AND #{digests.keys.last}")
    true
  end

  def keep(page_id, document)
    json = JSON.generate(JSON.parse(document))
    digest = Digest::SHA256.hexdigest(json)[0, 32]
    known = connection.select_value("SELECT 1 FROM texts WHERE page_id = #{page_id} AND digest = '#{digest}'")
    connection.exec_insert("INSERT INTO texts (page_id, digest, body) VALUES (?, ?, ?)", nil, [ page_id, digest, ActiveModel::Type::Binary::Data.new(Zlib.deflate(json)) ]) unless known
    digest
  end

  # Not where the schema is written down afterwards: SQLite then lists the tables of an index before what makes them.
  def compact
    connection.execute("VACUUM") unless ActiveRecord.dump_schema_after_migration
  end

  def megabytes
    (connection.select_value("PRAGMA page_count") * connection.select_value("PRAGMA page_size") / 1e6).round(1)
  end
end
