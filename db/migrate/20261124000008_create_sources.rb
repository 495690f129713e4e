# Works that pages cite, kept for the house, and which page cites which.
class CreateSources < ActiveRecord::Migration[7.2]
  def change
    create_table :sources do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :title, null: false
      t.string :author, null: false, default: ""
      t.string :publisher, null: false, default: ""
      t.string :address, null: false, default: ""
      t.string :same_address # by which the same address entered again is known
      t.string :date, null: false, default: ""
      t.date :accessed_on
      t.references :entered_by, null: false, foreign_key: { to_table: :people }
      t.timestamps
      t.index :same_address, unique: true, where: "same_address IS NOT NULL"
      t.index :title
    end

    create_table :citations do |t|
      t.references :page, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :source, null: false, foreign_key: true
      t.string :stage, null: false
      t.index %i[page_id stage source_id], unique: true
      t.check_constraint "stage IN ('draft', 'edition')", name: "known_stage"
    end
  end
end
