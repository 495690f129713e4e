# Groups get ids that tell nothing, for addresses and for what is kept of them.
class NameGroupsInPublic < ActiveRecord::Migration[7.2]
  def up
    add_column :groups, :public_id, :string, null: false, default: ""
    select_values("SELECT id FROM groups").each do |id|
      execute("UPDATE groups SET public_id = '#{SecureRandom.alphanumeric(10, chars: [ *"a".."z", *"0".."9" ])}' WHERE id = #{id}")
    end
    add_index :groups, :public_id, unique: true
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
