# What rooms for teams are made from.
class KeepRoomPatterns < ActiveRecord::Migration[7.2]
  def change
    create_table :room_patterns do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :name, null: false, collation: "NOCASE", index: { unique: true }
      t.string :description, null: false, default: ""
      t.string :everyone, null: false
      t.string :team, null: false
      t.timestamps
    end
    create_table :room_pattern_parts do |t|
      t.references :room_pattern, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.integer :position, null: false
      t.string :title, null: false
      t.boolean :shut, null: false, default: false
      t.string :template_key
      t.index %i[room_pattern_id position], unique: true
    end
  end
end
