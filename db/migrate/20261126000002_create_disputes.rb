# What is to be settled of a draft that two wrote, and cannot be marked in its text.
class CreateDisputes < ActiveRecord::Migration[7.2]
  def change
    create_table :disputes do |t|
      t.references :page, null: false, index: false, foreign_key: { on_delete: :cascade }
      t.string :block_id, null: false, default: ""
      t.string :name, null: false
      t.json :value
      t.references :person, foreign_key: { on_delete: :nullify }
      t.datetime :created_at, null: false
      t.index %i[page_id block_id name value], unique: true
    end
  end
end
