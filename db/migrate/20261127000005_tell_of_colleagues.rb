# What people tell colleagues of themselves, each as they wish.
class TellOfColleagues < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE people ADD COLUMN occupation varchar NOT NULL DEFAULT ''"
    execute "ALTER TABLE people ADD COLUMN contact varchar NOT NULL DEFAULT ''"
    execute "ALTER TABLE people ADD COLUMN spoken varchar NOT NULL DEFAULT ''"
    execute "ALTER TABLE people ADD COLUMN shows_email boolean NOT NULL DEFAULT 1"
  end

  def down
    %w[occupation contact spoken shows_email].each { |name| execute "ALTER TABLE people DROP COLUMN #{name}" }
  end
end
