class AddBinToPages < ActiveRecord::Migration[7.2]
  # Columns are added one by one, in SQLite's own words: rebuilding a table that others refer to, which is how Rails adds
  # references and checks to it, fails where there are rows.
  def up
    execute "ALTER TABLE pages ADD COLUMN binned_at datetime(6)"
    execute "ALTER TABLE pages ADD COLUMN binned_by_id integer REFERENCES people (id)"
    # The page that was put in the bin, for it and all that went along with it.
    execute "ALTER TABLE pages ADD COLUMN bin_root_id integer REFERENCES pages (id) CHECK ((binned_at IS NULL) = (bin_root_id IS NULL))"
    add_index :pages, :bin_root_id, where: "bin_root_id IS NOT NULL"
  end

  def down
    remove_index :pages, :bin_root_id
    %w[bin_root_id binned_by_id binned_at].each { |column| execute "ALTER TABLE pages DROP COLUMN #{column}" }
  end
end
