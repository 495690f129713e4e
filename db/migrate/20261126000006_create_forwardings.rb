# Where what led to a page, or to a block of it, leads since pages were joined or split.
class CreateForwardings < ActiveRecord::Migration[7.2]
  def change
    create_table :forwardings do |t|
      t.string :from_page, null: false
      t.string :from_block, null: false, default: ""
      t.references :page, null: false, foreign_key: { on_delete: :cascade }
      t.string :block
      t.datetime :created_at, null: false
      t.index %i[from_page from_block], unique: true
    end
  end
end
