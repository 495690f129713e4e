# Mail that the house sends, and what a person needs to choose a new password and to end sessions.
class CreatePost < ActiveRecord::Migration[7.2]
  def change
    create_table :sent_mails do |t|
      t.string :recipient, null: false
      t.string :subject, null: false
      t.text :body, null: false
      t.string :secret
      t.boolean :delivered, null: false, default: false
      t.datetime :created_at, null: false
    end

    reversible do |direction|
      direction.up do
        execute "ALTER TABLE people ADD COLUMN reset_password_token varchar"
        execute "ALTER TABLE people ADD COLUMN reset_password_sent_at datetime(6)"
        execute "ALTER TABLE people ADD COLUMN session_number integer NOT NULL DEFAULT 0"
        execute "ALTER TABLE people ADD COLUMN time_zone varchar NOT NULL DEFAULT 'UTC'"
        execute "ALTER TABLE people ADD COLUMN language varchar NOT NULL DEFAULT 'en'"
      end
      direction.down { raise ActiveRecord::IrreversibleMigration }
    end

    add_index :people, :reset_password_token, unique: true
  end
end
