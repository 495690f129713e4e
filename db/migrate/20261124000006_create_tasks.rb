# The tasks of published pages. Ticking one while reading changes its row, which is laid over the edition; the draft takes
# the tick over with its next save.
class CreateTasks < ActiveRecord::Migration[7.2]
  def change
    create_table :tasks do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :block_id, null: false
      t.integer :position, null: false
      t.string :text, null: false
      t.boolean :done, null: false, default: false
      t.date :due
      t.references :assignee, foreign_key: { to_table: :people }
      t.references :ticked_by, foreign_key: { to_table: :people }
      t.datetime :ticked_at
      t.index %i[page_id block_id], unique: true
    end
  end
end
