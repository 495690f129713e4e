# What was counted of a page is taken back word by word, by the key of each: joined to all words of the list, it took seconds in a
# house with many, while nobody else could write.
class TakeWordsBackByTheirKey < ActiveRecord::Migration[7.2]
  def up
    execute("DROP TRIGGER counted_pages_go")
    execute(<<~SQL.squish)
      CREATE TRIGGER counted_pages_go AFTER DELETE ON counted_pages BEGIN
        INSERT INTO word_counts (word, access_list_id, sections) SELECT key, old.access_list_id, -value FROM json_each(inflated(old.words)) WHERE true
          ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections;
        DELETE FROM word_counts WHERE access_list_id = old.access_list_id AND sections <= 0 AND word IN (SELECT key FROM json_each(inflated(old.words)));
      END
    SQL
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
