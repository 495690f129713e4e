# An icon, a cover picture and a language of a page's own.
class GivePagesLooks < ActiveRecord::Migration[7.2]
  def up
    execute "ALTER TABLE pages ADD COLUMN icon varchar"
    execute "ALTER TABLE pages ADD COLUMN language varchar"
    execute "ALTER TABLE pages ADD COLUMN cover_id integer REFERENCES page_files (id) ON DELETE SET NULL"
    add_index :pages, :cover_id, where: "cover_id IS NOT NULL"
  end

  def down
    remove_index :pages, :cover_id
    %w[icon language cover_id].each { |column| execute "ALTER TABLE pages DROP COLUMN #{column}" }
  end
end
