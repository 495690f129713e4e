# Addresses that give members who open them a level up to a last day.
class DrawCircles < ActiveRecord::Migration[7.2]
  def up
    create_table :circles do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :token_digest, null: false, index: { unique: true }
      t.references :room, foreign_key: { on_delete: :cascade }
      t.references :page, foreign_key: { on_delete: :cascade }
      t.integer :level, null: false
      t.date :ends_on, null: false
      t.integer :opened, null: false, default: 0
      t.references :keeper, foreign_key: { to_table: :people, on_delete: :cascade }, index: false, null: false
      t.datetime :created_at, null: false
      t.datetime :ended_at
    end
    execute "ALTER TABLE houses ADD COLUMN circles boolean NOT NULL DEFAULT 1"
  end

  def down
    execute "ALTER TABLE houses DROP COLUMN circles"
    drop_table :circles
  end
end
