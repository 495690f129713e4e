# Whether links to other sites open in a new tab: for the house, and for each person otherwise if they say so.
class LetOtherSitesOpenApart < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE houses ADD COLUMN sites_apart boolean DEFAULT 0 NOT NULL"
    execute "ALTER TABLE people ADD COLUMN sites_apart boolean"
  end

  def down
    execute "ALTER TABLE people DROP COLUMN sites_apart"
    execute "ALTER TABLE houses DROP COLUMN sites_apart"
  end
end
