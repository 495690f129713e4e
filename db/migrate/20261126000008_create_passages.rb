# Passages of what is published, so that one can be chosen among all.
class CreatePassages < ActiveRecord::Migration[7.2]
  PORTION = 200

  def up
    create_table :passages do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :block_id, null: false
      t.string :name, null: false, default: ""
      t.index %i[page_id block_id], unique: true
    end
    select_values("SELECT id FROM pages WHERE edition_id IS NOT NULL").each_slice(PORTION) { |ids| read(ids) }
  end

  def down
    drop_table :passages
  end

  private

  def read(ids)
    rows = connection.select_rows("SELECT pages.id, body FROM pages JOIN editions ON editions.id = edition_id JOIN texts ON texts.page_id = pages.id AND texts.digest = editions.digest WHERE pages.id IN (#{ids.join(", ")})")
    rows.each do |id, body|
      json = Zlib.inflate(body)
      passages_in(json).each { |block, name| connection.execute("INSERT OR IGNORE INTO passages (page_id, block_id, name) VALUES (#{id}, #{connection.quote(block)}, #{connection.quote(name)})") } if json.include?("passage")
    end
  end

  def passages_in(json)
    Zuhause::Document::Walk.blocks(JSON.parse(json)).select { |block| block["type"] == "passage" }.map { |block| [ block.dig("attrs", "id"), block.dig("attrs", "name").to_s ] }
  end
end
