class CreateAccessEvents < ActiveRecord::Migration[7.2]
  def change
    create_table :access_events do |t|
      t.references :room, foreign_key: { on_delete: :nullify }
      t.references :page, foreign_key: { on_delete: :nullify }
      t.references :actor, null: false, foreign_key: { to_table: :people }
      t.string :act, null: false
      t.json :details, null: false
      t.datetime :created_at, null: false
    end
  end
end
