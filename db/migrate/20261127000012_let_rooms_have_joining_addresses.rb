# A room's own joining address is a circle without a last day, of which it has one.
class LetRoomsHaveJoiningAddresses < ActiveRecord::Migration[7.2]
  def up
    change_column_null :circles, :ends_on, true
    add_index :circles, :room_id, unique: true, where: "ends_on IS NULL AND ended_at IS NULL", name: "index_circles_joining"
    add_check_constraint :circles, "ends_on IS NOT NULL OR room_id IS NOT NULL", name: "circles_end_but_for_rooms"
  end

  def down
    execute "DELETE FROM circles WHERE ends_on IS NULL"
    remove_check_constraint :circles, name: "circles_end_but_for_rooms"
    remove_index :circles, name: "index_circles_joining"
    change_column_null :circles, :ends_on, false
  end
end
