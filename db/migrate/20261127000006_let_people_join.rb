# Domains whose people become members by themselves, once they have shown that an address there is theirs.
class LetPeopleJoin < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE houses ADD COLUMN joining_domains varchar NOT NULL DEFAULT ''"
  end

  def down
    execute "ALTER TABLE houses DROP COLUMN joining_domains"
  end
end
