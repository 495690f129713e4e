# Ticks made while reading are rows of their own: they outlive the tasks' rows, which follow each edition.
class CreateTicks < ActiveRecord::Migration[7.2]
  def up
    create_table :ticks do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.string :block_id, null: false
      t.boolean :done, null: false
      t.references :person, foreign_key: { on_delete: :nullify }
      t.datetime :ticked_at, null: false
      t.integer :draft_version
      t.boolean :settled, null: false, default: false
      t.index %i[page_id block_id], unique: true
    end
    execute(<<~SQL)
      INSERT INTO ticks (page_id, block_id, done, person_id, ticked_at) SELECT page_id, block_id, done, ticked_by_id, ticked_at FROM tasks WHERE ticked_at IS NOT NULL
    SQL
    remove_index :tasks, :ticked_by_id
    remove_column :tasks, :ticked_by_id
    remove_column :tasks, :ticked_at
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
