# Tombstones of erased pages; and what the database refuses whatever asks for it: a page that stands below itself, and
# erasing a page that is not in the bin.
class KeepWhatMustNotGo < ActiveRecord::Migration[7.2]
  PARENT = "CAST(replace(new.ancestry, rtrim(rtrim(new.ancestry, '/'), '0123456789'), '') AS INTEGER)".freeze

  def up
    create_table :tombstones do |t|
      t.string :public_id, null: false, index: { unique: true }
      t.references :access_list, null: false, foreign_key: true
      t.boolean :published, null: false
      t.datetime :erased_at, null: false
    end
    execute <<~SQL
      CREATE TRIGGER pages_never_below_themselves BEFORE UPDATE OF ancestry ON pages
      WHEN new.ancestry IS NOT old.ancestry AND (instr(new.ancestry, '/' || new.id || '/') > 0
        OR EXISTS (SELECT 1 FROM pages WHERE id = #{PARENT} AND instr(ancestry, '/' || new.id || '/') > 0))
      BEGIN SELECT RAISE(ABORT, 'a page cannot stand below itself'); END
    SQL
    execute <<~SQL
      CREATE TRIGGER pages_kept_are_not_erased BEFORE DELETE ON pages WHEN old.bin_root_id IS NULL
      BEGIN SELECT RAISE(ABORT, 'a page that is kept is not erased'); END
    SQL
  end

  def down
    execute "DROP TRIGGER pages_kept_are_not_erased"
    execute "DROP TRIGGER pages_never_below_themselves"
    drop_table :tombstones
  end
end
