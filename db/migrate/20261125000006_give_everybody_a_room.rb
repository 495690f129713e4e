# A room of one's own for every member, and one to try things in. Columns are added in place: rebuilding a table would drop
# its checks and triggers.
class GiveEverybodyARoom < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE rooms ADD COLUMN owner_id integer REFERENCES people (id)"
    execute "ALTER TABLE rooms ADD COLUMN practice boolean NOT NULL DEFAULT 0"
    add_index :rooms, :owner_id, unique: true
    add_index :rooms, :practice, unique: true, where: "practice"
  end

  def down
    remove_index :rooms, :practice
    remove_index :rooms, :owner_id
    execute "ALTER TABLE rooms DROP COLUMN practice"
    execute "ALTER TABLE rooms DROP COLUMN owner_id"
  end
end
