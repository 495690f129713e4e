# What long work has made is told of once, whatever ends in between.
class TellOfWorkOnce < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE works ADD COLUMN announced_at datetime(6)"
    execute "UPDATE works SET announced_at = finished_at WHERE state = 'done'"
  end

  def down
    execute "ALTER TABLE works DROP COLUMN announced_at"
  end
end
