# Files that were brought in and read, waiting to be looked at before they become pages.
class CreateArrivals < ActiveRecord::Migration[7.2]
  def change
    create_table :arrivals do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.json :texts, null: false, default: []
      t.datetime :created_at, null: false, index: true
    end
  end
end
