# Files that only lead on to another one become no pages: what leads to them is followed.
class TellWhatBroughtInFilesLeadOnTo < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE arrived_files ADD COLUMN leads_on TEXT"
  end

  def down
    execute "ALTER TABLE arrived_files DROP COLUMN leads_on"
  end
end
