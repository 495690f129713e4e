# Long work, which runs by itself, and the pages that it is making, which nobody sees until it is done.
class CreateWorks < ActiveRecord::Migration[7.2]
  def up
    create_table :works do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :kind, null: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.references :page, foreign_key: { on_delete: :nullify }
      t.references :result, foreign_key: { to_table: :pages, on_delete: :nullify }
      t.json :details, null: false, default: {}
      t.string :state, null: false, default: "waiting"
      t.integer :total, null: false, default: 0
      t.integer :done, null: false, default: 0
      t.string :problem
      t.timestamps
      t.datetime :finished_at
    end
    create_table :pages_under_way, primary_key: :page_id do |t|
      t.foreign_key :pages, on_delete: :cascade
      t.references :work, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.integer :source_id, null: false
      t.index %i[work_id source_id], unique: true
    end
    { come: "INSERT ON works", go: "DELETE ON works", change: "UPDATE OF state ON works WHEN new.state IS NOT old.state" }.each do |called, event|
      execute("CREATE TRIGGER versions_works_#{called} AFTER #{event} BEGIN INSERT INTO versions VALUES ('works', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END")
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
