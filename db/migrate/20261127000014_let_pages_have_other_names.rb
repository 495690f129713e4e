# Further names that pages are found and linked by.
class LetPagesHaveOtherNames < ActiveRecord::Migration[7.2]
  def up
    create_table :other_names do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.string :name, null: false, collation: "NOCASE"
      t.index %i[page_id name], unique: true
      t.index :name
    end
    execute "CREATE VIRTUAL TABLE name_index USING fts5(name, content='other_names', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='1 2 3 4')"
    execute "CREATE TRIGGER other_names_after_insert AFTER INSERT ON other_names BEGIN INSERT INTO name_index(rowid, name) VALUES (new.id, new.name); END"
    execute "CREATE TRIGGER other_names_after_delete AFTER DELETE ON other_names BEGIN INSERT INTO name_index(name_index, rowid, name) VALUES ('delete', old.id, old.name); END"
  end

  def down
    execute "DROP TABLE name_index"
    drop_table :other_names
  end
end
