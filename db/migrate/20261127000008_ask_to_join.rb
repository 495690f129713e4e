# People who ask to come into the house, and slips with a code for whoever an account was made for.
class AskToJoin < ActiveRecord::Migration[7.2]
  def up
    create_table :join_requests do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :email, null: false
      t.string :token_digest, index: { unique: true }
      t.string :name, null: false, default: ""
      t.text :words, null: false, default: ""
      t.datetime :sent_at, null: false
      t.datetime :asked_at
      t.datetime :answered_at
      t.boolean :given
      t.references :answered_by, foreign_key: { to_table: :people, on_delete: :nullify }, index: false
      t.index :email, unique: true, where: "answered_at IS NULL", name: "index_join_requests_unanswered"
    end
    create_table :slips do |t|
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: { unique: true }
      t.string :token_digest, null: false, index: { unique: true }
      t.datetime :expires_at, null: false
    end
    execute "ALTER TABLE houses ADD COLUMN asking_to_join boolean NOT NULL DEFAULT 0"
  end

  def down
    execute "ALTER TABLE houses DROP COLUMN asking_to_join"
    drop_table :slips
    drop_table :join_requests
  end
end
