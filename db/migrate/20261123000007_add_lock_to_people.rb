class AddLockToPeople < ActiveRecord::Migration[7.2]
  def change
    add_column :people, :failed_attempts, :integer, null: false, default: 0
    add_column :people, :locked_at, :datetime
  end
end
