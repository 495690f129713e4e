# Pages that new pages can start from: of their room, or of the house.
class CreateTemplates < ActiveRecord::Migration[7.2]
  def change
    create_table :templates do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: { unique: true }
      t.boolean :whole_house, null: false, default: false
      t.string :description, null: false, default: ""
      t.datetime :created_at, null: false
    end
  end
end
