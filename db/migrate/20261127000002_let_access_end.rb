# A level can be given up to a day, beside what is given for good.
class LetAccessEnd < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE access_grants ADD COLUMN ends_on date"
    execute "ALTER TABLE access_grants ADD COLUMN told_ahead_at datetime(6)"
    execute "ALTER TABLE access_grants ADD COLUMN told_ended_at datetime(6)"
    execute "ALTER TABLE access_list_entries ADD COLUMN ends_on date"
    index "one_grant_for_each_holder", "access_grants (COALESCE(room_id, 0), COALESCE(page_id, 0), holder, COALESCE(person_id, 0), COALESCE(group_id, 0), ends_on IS NULL)"
    index "one_entry_for_each_holder", "access_list_entries (access_list_id, holder, COALESCE(person_id, 0), COALESCE(group_id, 0), level)"
    execute "CREATE INDEX grants_that_end ON access_grants (ends_on) WHERE ends_on IS NOT NULL"
  end

  def down
    execute "DELETE FROM access_grants WHERE ends_on IS NOT NULL"
    execute "DELETE FROM access_list_entries WHERE ends_on IS NOT NULL"
    execute "DROP INDEX grants_that_end"
    index "one_grant_for_each_holder", "access_grants (COALESCE(room_id, 0), COALESCE(page_id, 0), holder, COALESCE(person_id, 0), COALESCE(group_id, 0))"
    index "one_entry_for_each_holder", "access_list_entries (access_list_id, holder, COALESCE(person_id, 0), COALESCE(group_id, 0))"
    %w[ends_on told_ahead_at told_ended_at].each { |name| execute "ALTER TABLE access_grants DROP COLUMN #{name}" }
    execute "ALTER TABLE access_list_entries DROP COLUMN ends_on"
  end

  private

  def index(name, on)
    execute "DROP INDEX #{name}"
    execute "CREATE UNIQUE INDEX #{name} ON #{on}"
  end
end
