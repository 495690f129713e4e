# Whether keepers see who has read their pages.
class TellWhoLooked < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE houses ADD COLUMN tells_readers boolean NOT NULL DEFAULT 1"
  end

  def down
    execute "ALTER TABLE houses DROP COLUMN tells_readers"
  end
end
