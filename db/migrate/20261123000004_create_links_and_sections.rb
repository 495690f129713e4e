class CreateLinksAndSections < ActiveRecord::Migration[7.2]
  def up
    create_table :references do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.string :stage, null: false
      t.string :target_kind, null: false
      t.string :target_page # the public id of a page, which may be gone
      t.string :promised_title # in normal form
      t.string :target, null: false
      t.string :block_id
      t.string :label, null: false
      t.string :context, null: false
      t.index :target_page, where: "target_page IS NOT NULL"
      t.index :promised_title, where: "promised_title IS NOT NULL"
      t.check_constraint "stage IN ('draft', 'edition')", name: "known_stage"
    end

    create_table :promises do |t|
      t.string :title, null: false # in normal form
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.datetime :created_at, null: false
      t.index %i[title page_id], unique: true
    end

    create_table :sections do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.integer :position, null: false
      t.string :block_id
      t.string :title, null: false
      t.string :heading, null: false
      t.text :body, null: false
      t.index %i[page_id position], unique: true
    end

    execute <<~SQL
      CREATE VIRTUAL TABLE section_index USING fts5(
        title, heading, body, content='sections', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='2 3'
      );
    SQL
    execute <<~SQL
      CREATE TRIGGER sections_after_insert AFTER INSERT ON sections BEGIN
        INSERT INTO section_index(rowid, title, heading, body) VALUES (new.id, new.title, new.heading, new.body);
      END;
    SQL
    execute <<~SQL
      CREATE TRIGGER sections_after_delete AFTER DELETE ON sections BEGIN
        INSERT INTO section_index(section_index, rowid, title, heading, body) VALUES ('delete', old.id, old.title, old.heading, old.body);
      END;
    SQL
    execute <<~SQL
      CREATE TRIGGER sections_after_update AFTER UPDATE ON sections BEGIN
        INSERT INTO section_index(section_index, rowid, title, heading, body) VALUES ('delete', old.id, old.title, old.heading, old.body);
        INSERT INTO section_index(rowid, title, heading, body) VALUES (new.id, new.title, new.heading, new.body);
      END;
    SQL
  end

  def down
    execute "DROP TABLE section_index"
    drop_table :sections
    drop_table :promises
    drop_table :references
  end
end
