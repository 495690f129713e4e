# Addresses of other sites that texts lead to, and what came of asking for them.
class CreateWebAddresses < ActiveRecord::Migration[7.2]
  def change
    create_table :web_addresses do |t|
      t.string :address, null: false, index: { unique: true }
      t.string :host, null: false
      t.string :state, null: false, default: "unchecked"
      t.string :moved_to
      t.integer :fails, null: false, default: 0
      t.datetime :checked_at
      t.datetime :due_at, null: false, index: true
      t.index :state
    end
    add_column :houses, :checks_addresses, :boolean, null: false, default: false
    add_column :houses, :own_hosts, :string, null: false, default: ""
  end
end
