# Who has been asked in, to where and with what; who asks for what they may not see; and what the house sets about both.
class InvitePeople < ActiveRecord::Migration[7.2]
  def up
    create_table :invitations do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :token_digest, null: false, index: { unique: true }
      t.string :email, null: false, index: true
      t.string :name, null: false, default: ""
      t.string :role, null: false
      t.references :room, foreign_key: { on_delete: :cascade }
      t.references :page, foreign_key: { on_delete: :cascade }
      t.references :group, foreign_key: { on_delete: :cascade }
      t.integer :level
      t.date :ends_on
      t.string :words, null: false, default: ""
      t.references :inviter, foreign_key: { to_table: :people, on_delete: :nullify }
      t.references :person, foreign_key: { on_delete: :cascade }
      t.datetime :created_at, null: false
      t.datetime :expires_at, null: false
      t.datetime :taken_at
      t.datetime :withdrawn_at
    end
    execute "CREATE UNIQUE INDEX one_open_invitation_to_each_place ON invitations (email, COALESCE(room_id, 0), COALESCE(page_id, 0), COALESCE(group_id, 0)) WHERE taken_at IS NULL AND withdrawn_at IS NULL"
    create_table :access_requests do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :person, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.string :address, null: false
      t.references :page, foreign_key: { on_delete: :cascade }
      t.references :room, foreign_key: { on_delete: :cascade }
      t.string :words, null: false, default: ""
      t.datetime :created_at, null: false
      t.datetime :answered_at
      t.references :answered_by, foreign_key: { to_table: :people, on_delete: :nullify }, index: false
      t.boolean :given
      t.index %i[person_id created_at]
    end
    execute "ALTER TABLE houses ADD COLUMN invited_by_keepers varchar NOT NULL DEFAULT 'guests'"
    execute "ALTER TABLE houses ADD COLUMN invitation_days integer NOT NULL DEFAULT 14"
  end

  def down
    %w[invited_by_keepers invitation_days].each { |name| execute "ALTER TABLE houses DROP COLUMN #{name}" }
    drop_table :access_requests
    drop_table :invitations
  end
end
