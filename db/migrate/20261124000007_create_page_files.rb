# Files that pages show. What is stored may be shared between rows; rights never are: a row belongs to one page.
class CreatePageFiles < ActiveRecord::Migration[7.2]
  def change
    create_table :page_files do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.references :author, null: false, foreign_key: { to_table: :people }
      t.string :name, null: false
      t.string :kind, null: false
      t.integer :width
      t.integer :height
      t.datetime :created_at, null: false
      t.check_constraint "kind IN ('picture', 'drawing', 'pdf', 'video', 'audio', 'other')", name: "known_kind"
    end
  end
end
