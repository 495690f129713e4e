class CreatePeople < ActiveRecord::Migration[7.2]
  def change
    create_table :houses do |t|
      t.string :name, null: false
      t.boolean :guests, null: false, default: true
      t.boolean :public_addresses, null: false, default: false
      t.boolean :demo, null: false, default: false
      t.timestamps
      t.check_constraint "id = 1", name: "one_house"
    end

    create_table :people do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.string :name, null: false
      t.string :email, null: false, collation: "NOCASE", index: { unique: true }
      t.string :encrypted_password, null: false
      t.datetime :remember_created_at
      t.string :role, null: false, default: "member"
      t.string :office, null: false, default: "none"
      t.datetime :suspended_at
      t.boolean :single_keys, null: false, default: true
      t.string :theme, null: false, default: "system"
      t.timestamps
      t.check_constraint "role IN ('member', 'guest')", name: "known_role"
      t.check_constraint "office IN ('none', 'administrator', 'owner')", name: "known_office"
      t.check_constraint "office = 'none' OR role = 'member'", name: "office_is_for_members"
      t.check_constraint "theme IN ('system', 'light', 'dark')", name: "known_theme"
      t.index :office, unique: true, where: "office = 'owner'", name: "one_owner"
    end

    create_table :groups do |t|
      t.string :name, null: false, collation: "NOCASE", index: { unique: true }
      t.timestamps
    end

    create_table :memberships do |t|
      t.references :group, null: false, foreign_key: { on_delete: :cascade }, index: false
      t.references :person, null: false, foreign_key: { on_delete: :cascade }
      t.index %i[group_id person_id], unique: true
    end
  end
end
