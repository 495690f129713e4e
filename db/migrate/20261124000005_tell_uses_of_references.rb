# What a reference is used for: a link, a live insert, a page's title, a mention, a task, a file.
class TellUsesOfReferences < ActiveRecord::Migration[7.2]
  def up
    execute %(ALTER TABLE "references" ADD COLUMN "use" varchar NOT NULL DEFAULT 'link' CHECK ("use" IN ('link', 'insert', 'title', 'mention', 'task', 'file')))
    add_index :references, :target, where: "target_kind = 'person'", name: "index_references_on_person"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
