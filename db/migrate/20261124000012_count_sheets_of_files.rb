# How many pages a PDF has, so that they can be shown where it stands.
class CountSheetsOfFiles < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE page_files ADD COLUMN sheets integer"
  end

  def down
    execute "ALTER TABLE page_files DROP COLUMN sheets"
  end
end
