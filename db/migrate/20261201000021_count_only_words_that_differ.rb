# Of a page that is published anew only what differs is counted anew: taking back and giving again each of some thousand words took
# most of publishing, while nobody else could write.
class CountOnlyWordsThatDiffer < ActiveRecord::Migration[7.2]
  def up
    execute(<<~SQL.squish)
      CREATE TRIGGER counted_pages_change AFTER UPDATE OF words ON counted_pages BEGIN
        INSERT INTO word_counts (word, access_list_id, sections) SELECT key, new.access_list_id, value FROM json_each(counted_differences(old.words, new.words)) WHERE true
          ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections;
        DELETE FROM word_counts WHERE access_list_id = new.access_list_id AND sections <= 0 AND word IN (SELECT key FROM json_each(counted_differences(old.words, new.words)) WHERE value < 0);
      END
    SQL
    execute(<<~SQL.squish)
      CREATE TRIGGER counted_pages_stay_in_their_list BEFORE UPDATE OF access_list_id ON counted_pages WHEN new.access_list_id <> old.access_list_id
      BEGIN SELECT RAISE(ABORT, 'what is counted for another list is counted anew'); END
    SQL
  end

  def down
    execute("DROP TRIGGER counted_pages_change")
    execute("DROP TRIGGER counted_pages_stay_in_their_list")
  end
end
