# Pages that are there already under the title of one that is brought in; and how much a house lets in at once.
class DecideOnClashes < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE arrived_files ADD COLUMN clash varchar"
    execute "ALTER TABLE houses ADD COLUMN arrival_megabytes integer NOT NULL DEFAULT 1024"
  end

  def down
    execute "ALTER TABLE houses DROP COLUMN arrival_megabytes"
    execute "ALTER TABLE arrived_files DROP COLUMN clash"
  end
end
