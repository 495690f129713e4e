# All that points is in one table: what texts point to, sources among it, and what rooms, plans, front pages, covers and
# templates point to. What it points to is told alike for all kinds, so that "what points here" is one question.
class AllThatPoints < ActiveRecord::Migration[7.2]
  PORTION = 200
  PAGE = "'page:' || pages.public_id AS target, '' AS label"
  SET = {
    "SELECT #{PAGE}, rooms.id AS room_id, NULL AS page_id, NULL AS signpost_id FROM rooms JOIN pages ON pages.id = rooms.front_page_id" => "front",
    "SELECT #{PAGE}, NULL AS room_id, NULL AS page_id, NULL AS signpost_id FROM houses JOIN pages ON pages.id = houses.front_page_id" => "front",
    "SELECT #{PAGE}, NULL AS room_id, pages.id AS page_id, NULL AS signpost_id FROM templates JOIN pages ON pages.id = page_id" => "template",
    "SELECT 'file:' || page_files.public_id AS target, '' AS label, NULL AS room_id, pages.id AS page_id, NULL AS signpost_id FROM pages JOIN page_files ON page_files.id = cover_id" => "look",
    "SELECT icon AS target, '' AS label, NULL AS room_id, id AS page_id, NULL AS signpost_id FROM pages WHERE icon LIKE 'file:%'" => "look",
    "SELECT target, title AS label, CASE WHEN parent_id IS NULL THEN room_id END AS room_id, parent_id AS page_id, id AS signpost_id FROM signposts WHERE target IS NOT NULL" => "plan"
  }.freeze

  def up
    drop_table :citations
    drop_table :references
    create_references
    read_texts
    SET.each { |rows, use| put(rows, use) }
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def create_references
    create_table :references do |t|
      t.references :page, index: false, foreign_key: { on_delete: :cascade }
      t.references :room, foreign_key: { on_delete: :cascade }
      t.references :signpost, foreign_key: { on_delete: :cascade }
      t.string :stage, null: false
      t.string :use, null: false
      t.string :target_kind, null: false
      t.string :target_id, null: false
      t.string :target_block
      t.string :target, null: false
      t.string :block_id
      t.string :label, null: false
      t.string :context, null: false
      t.check_constraint "stage IN ('draft', 'edition', 'set')", name: "known_stage"
      t.index %i[page_id stage]
      t.index %i[target_kind target_id]
    end
  end

  # Signposts lead to pages, or to parts of them, and to other sites.
  def put(rows, use)
    execute(<<~SQL)
      INSERT INTO "references" (stage, "use", target, target_kind, target_id, target_block, label, context, room_id, page_id, signpost_id)
      SELECT 'set', '#{use}', target,
             CASE WHEN target LIKE 'page:%' THEN 'page' WHEN target LIKE 'file:%' THEN 'file' ELSE 'web' END,
             CASE WHEN target LIKE 'page:%' OR target LIKE 'file:%' THEN substr(target, 6, 10) ELSE target END,
             CASE WHEN target LIKE 'page:%#%' THEN substr(target, instr(target, '#') + 1) END,
             label, label, room_id, page_id, signpost_id
      FROM (#{rows})
    SQL
  end

  # Anew from all texts: where in a text something is cited was not kept, and not all words around links are those that would
  # be kept today.
  def read_texts
    select_values("SELECT id FROM pages ORDER BY id").each_slice(PORTION) do |ids|
      { "draft" => "drafts", "edition" => "editions" }.each do |stage, table|
        rows = connection.select_rows("SELECT pages.id, language, body FROM pages JOIN #{table} held ON held.id = pages.#{stage}_id JOIN texts ON texts.page_id = held.page_id AND texts.digest = held.digest WHERE pages.id IN (#{ids.join(", ")})")
        rows.each { |id, language, body| insert_points(id, stage, language, Zuhause::Links.in(JSON.parse(Zlib.inflate(body)))) }
      end
    end
  end

  def insert_points(page_id, stage, language, points)
    return if points.empty?

    rows = points.map do |point|
      kind, id, block = point.target.identity(language)
      values = [ page_id, stage, point.use.to_s, kind.to_s, id, block, point.target.to_s, point.block_id, point.label.to_s, point.context.to_s ]
      "(#{values.map { |value| connection.quote(value) }.join(", ")})"
    end
    connection.execute(%(INSERT INTO "references" (page_id, stage, "use", target_kind, target_id, target_block, target, block_id, label, context) VALUES #{rows.join(", ")}))
  end
end
