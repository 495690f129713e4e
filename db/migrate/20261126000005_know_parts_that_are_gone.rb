# Of what leads to a part of a page it is known whether that part is there.
class KnowPartsThatAreGone < ActiveRecord::Migration[7.2]
  PORTION = 100

  def up
    add_column :references, :part_gone, :boolean, null: false, default: false
    add_index :references, :target_id, where: "part_gone", name: "index_references_on_part_gone"
    select_values("SELECT DISTINCT target_id FROM \"references\" WHERE target_block IS NOT NULL").each_slice(PORTION) { |ids| judge(ids.map { |id| connection.quote(id) }.join(", ")) }
  end

  def down
    remove_index :references, name: "index_references_on_part_gone"
    remove_column :references, :part_gone
  end

  private

  def judge(ids)
    rows = connection.select_rows(<<~SQL)
      SELECT pages.public_id, body FROM pages LEFT JOIN editions ON editions.id = edition_id JOIN drafts ON drafts.id = draft_id
      JOIN texts ON texts.page_id = pages.id AND texts.digest = coalesce(editions.digest, drafts.digest) WHERE pages.public_id IN (#{ids})
    SQL
    rows.each do |id, body|
      there = Zuhause::Document::Walk.blocks(JSON.parse(Zlib.inflate(body))).map { |block| connection.quote(block.dig("attrs", "id")) }
      connection.execute("UPDATE \"references\" SET part_gone = 1 WHERE target_kind = 'page' AND target_id = #{connection.quote(id)} AND target_block IS NOT NULL AND target_block NOT IN (#{there.join(", ")})")
    end
  end
end
