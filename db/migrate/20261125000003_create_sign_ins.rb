# Sign-ins that hold, so that signing out ends a session on the server, whoever kept a copy of its cookie; and addresses
# that are to be changed, once the old and the new one have agreed.
class CreateSignIns < ActiveRecord::Migration[7.2]
  def change
    create_table :sign_ins do |t|
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.string :token_digest, null: false, index: { unique: true }
      t.datetime :created_at, null: false
    end
    create_table :email_changes do |t|
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: { unique: true }
      t.string :email, null: false
      t.string :old_digest, null: false, index: { unique: true }
      t.string :new_digest, null: false, index: { unique: true }
      t.datetime :old_agreed_at
      t.datetime :new_agreed_at
      t.datetime :created_at, null: false
    end
  end
end
