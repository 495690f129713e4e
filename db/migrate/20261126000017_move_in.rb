require "zlib"

# What lies in folders that are brought in: a row for each file and folder, with where its page is to stand and what was read of it.
class MoveIn < ActiveRecord::Migration[7.2]
  def up
    create_table :arrived_files do |t|
      t.references :arrival, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.string :kind, null: false
      t.string :path, null: false
      t.string :key, index: { unique: true }
      t.references :part_of, foreign_key: { to_table: :arrived_files, on_delete: :cascade }
      t.references :above, foreign_key: { to_table: :arrived_files, on_delete: :nullify }
      t.integer :position, null: false, default: 0
      t.string :title
      t.string :problem
      t.boolean :left_out, null: false, default: false
      t.integer :words, null: false, default: 0
      t.integer :losses, null: false, default: 0
      t.integer :pictures, null: false, default: 0
      t.binary :survey
      t.binary :reading
      t.binary :anchors
      t.references :page, foreign_key: { on_delete: :nullify }
      t.references :known_page, foreign_key: { to_table: :pages, on_delete: :nullify }
      t.boolean :same, null: false, default: false
      t.index %i[arrival_id path], unique: true
    end
    execute "ALTER TABLE arrivals ADD COLUMN repeated json NOT NULL DEFAULT '[]'"
    execute "ALTER TABLE arrivals ADD COLUMN made_at datetime(6)"
    execute "ALTER TABLE arrivals ADD COLUMN anew boolean NOT NULL DEFAULT 0"
    execute "ALTER TABLE arrivals ADD COLUMN before_id integer REFERENCES arrivals (id) ON DELETE SET NULL"
    execute "CREATE INDEX index_arrivals_on_before_id ON arrivals (before_id)"
    execute "ALTER TABLE arrivals ADD COLUMN undone_at datetime(6)"
    select_rows("SELECT id, texts FROM arrivals").each { |id, texts| keep(id, JSON.parse(texts)) }
    execute "ALTER TABLE arrivals DROP COLUMN texts"
  end

  def down
    drop_table :arrived_files
    execute "DROP INDEX index_arrivals_on_before_id"
    %w[repeated made_at anew before_id undone_at].each { |name| execute "ALTER TABLE arrivals DROP COLUMN #{name}" }
    execute "ALTER TABLE arrivals ADD COLUMN texts json NOT NULL DEFAULT '[]'"
  end

  private

  # What waits to be looked at goes on waiting.
  def keep(arrival, texts)
    texts.each_with_index do |text, i|
      reading = { document: text["document"], reports: text["reports"] || [], pictures: (text["pictures"] || []).index_with(nil), links: [] }
      values = { arrival_id: arrival, kind: "text", path: "#{i}/#{text["path"] || text["name"]}", key: text["key"], position: i, title: text["title"], problem: text["problem"],
                 losses: reading[:reports].size, pictures: reading[:pictures].size, reading: ActiveModel::Type::Binary.new.serialize(Zlib.deflate(reading.to_json)) }
      connection.exec_insert("INSERT INTO arrived_files (#{values.keys.join(", ")}) VALUES (#{Array.new(values.size, "?").join(", ")})", nil, values.values)
    end
  end
end
