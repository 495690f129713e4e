# Searches that people keep, what was sought and not found, and what stands in files that pages show; and versions of what a search
# can be narrowed to.
class FindMore < ActiveRecord::Migration[7.2]
  def change
    create_table :kept_searches do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :person, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :text, null: false
      t.string :filters, null: false, default: ""
      t.datetime :looked_at, null: false
      t.timestamps
      t.index %i[person_id text filters], unique: true
    end
    create_table :soughts do |t|
      t.string :wording, null: false
      t.string :digest, null: false
      t.boolean :answered, null: false
      t.boolean :opened, null: false, default: false
      t.date :day, null: false, index: true
      t.index %i[wording digest], unique: true
    end
    add_column :houses, :gathers_sought, :boolean, null: false, default: true
    create_table :file_texts do |t|
      t.references :blob, null: false, index: { unique: true }, foreign_key: { to_table: :active_storage_blobs, on_delete: :cascade }
      t.binary :pieces, null: false
    end
    reversible do |way|
      way.up do
        # Written out: the table would be built anew else, without the triggers that the index follows.
        execute("ALTER TABLE sections ADD COLUMN page_file_id integer REFERENCES page_files (id) ON DELETE CASCADE")
        tell_of_changes
      end
    end
    add_column :sections, :place, :string
    add_index :sections, :page_file_id, where: "page_file_id IS NOT NULL"
  end

  private

  def tell_of_changes
    { come: "INSERT", go: "DELETE" }.each { |name, act| renew("taggings_#{name}", "#{act} ON taggings", "tags") }
    renew("tags_change", "UPDATE ON tags", "tags")
    renew("pages_languages", "UPDATE OF language ON pages WHEN new.language IS NOT old.language", "tags")
  end

  def renew(name, event, version)
    execute("CREATE TRIGGER versions_#{name} AFTER #{event} BEGIN INSERT INTO versions VALUES ('#{version}', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END;")
  end
end
