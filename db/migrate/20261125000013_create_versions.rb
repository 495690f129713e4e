# What many screens carry along is kept until what it is made of changes. The database itself says that it has: by triggers,
# so that no way of changing it can be forgotten. The numbers are random, so that none comes back, not even after a
# transaction that is taken back.
class CreateVersions < ActiveRecord::Migration[7.2]
  # Table => columns whose change counts; nil for any row that comes, goes or changes
  WATCHED = {
    "people" => { "people" => %w[public_id name role office suspended_at updated_at], "memberships" => nil, "groups" => %w[name], "houses" => %w[guests public_addresses] },
    "lists" => { "access_list_entries" => nil },
    "rooms" => { "rooms" => %w[name in_languages description colour position access_list_id archived_at owner_id practice] },
    "pages" => { "pages" => %w[public_id title icon ancestry position room_id bin_root_id access_list_id] },
    "signposts" => { "signposts" => nil },
    "pins" => { "pins" => nil }
  }.freeze

  def up
    execute("CREATE TABLE versions (name varchar NOT NULL PRIMARY KEY, number integer NOT NULL) WITHOUT ROWID")
    WATCHED.each do |name, tables|
      tables.each { |table, columns| watch(name, table, columns) }
    end
    # Only the first edition changes who sees a page.
    trigger("pages", "pages_published", "UPDATE OF edition_id ON pages WHEN (new.edition_id IS NULL) IS NOT (old.edition_id IS NULL)")
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def watch(name, table, columns)
    trigger(name, "#{table}_come", "INSERT ON #{table}")
    trigger(name, "#{table}_go", "DELETE ON #{table}")
    changed = columns && " WHEN #{columns.map { |column| "new.#{column} IS NOT old.#{column}" }.join(" OR ")}"
    trigger(name, "#{table}_change", "UPDATE#{" OF #{columns.join(", ")}" if columns} ON #{table}#{changed}")
  end

  def trigger(name, called, event)
    execute("CREATE TRIGGER versions_#{called} AFTER #{event} BEGIN INSERT INTO versions VALUES ('#{name}', random()) ON CONFLICT (name) DO UPDATE SET number = excluded.number; END")
  end
end
