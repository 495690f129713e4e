# In how many sections words stand, by access list: what finding may know of the words of what somebody reads. And the level of each
# section's heading, by which those above it are known. All of it or nothing.
class CountWords < ActiveRecord::Migration[7.2]
  def up
    TABLES.each { |sql| execute(sql) }
    add_column :sections, :level, :integer, null: false, default: 1
    say_with_time("counting words") { count }
    execute("CREATE TRIGGER counted_pages_come AFTER INSERT ON counted_pages BEGIN #{ADD} END;")
    execute("CREATE TRIGGER counted_pages_go AFTER DELETE ON counted_pages BEGIN #{TAKE} END;")
  end

  TABLES = [
    "CREATE TABLE words (word varchar NOT NULL PRIMARY KEY, english varchar NOT NULL, german varchar NOT NULL, backwards varchar NOT NULL) WITHOUT ROWID",
    *%w[english german backwards].map { |column| "CREATE INDEX index_words_on_#{column} ON words (#{column})" },
    "CREATE TABLE word_counts (word varchar NOT NULL, access_list_id integer NOT NULL REFERENCES access_lists (id) ON DELETE CASCADE, sections integer NOT NULL, PRIMARY KEY (word, access_list_id)) WITHOUT ROWID",
    "CREATE INDEX index_word_counts_on_access_list_id ON word_counts (access_list_id)",
    "CREATE TABLE counted_pages (page_id integer NOT NULL PRIMARY KEY REFERENCES pages (id) ON DELETE CASCADE, access_list_id integer NOT NULL, edition_id integer NOT NULL, words blob NOT NULL)"
  ].freeze
  # What is counted of a page is added and taken away with its row, whatever makes that come and go.
  ADD = <<~SQL.squish.freeze
    INSERT INTO word_counts (word, access_list_id, sections) SELECT key, new.access_list_id, value FROM json_each(inflated(new.words)) WHERE true
    ON CONFLICT (word, access_list_id) DO UPDATE SET sections = sections + excluded.sections;
  SQL
  TAKE = <<~SQL.squish.freeze
    UPDATE word_counts SET sections = sections - told.value FROM json_each(inflated(old.words)) AS told WHERE word_counts.word = told.key AND word_counts.access_list_id = old.access_list_id;
    DELETE FROM word_counts WHERE access_list_id = old.access_list_id AND sections <= 0 AND word IN (SELECT key FROM json_each(inflated(old.words)));
  SQL

  # Summed up here and put in at once: one by one it would take hours in a large house.
  def count
    Section.reset_column_information
    sums = Hash.new { |lists, list| lists[list] = Hash.new(0) }
    Page.kept.where.not(edition_id: nil).includes(edition: :text).find_each(batch_size: 200) do |page|
      keep_levels(page)
      words = words_of(page)
      CountedPage.insert({ page_id: page.id, access_list_id: page.access_list_id, edition_id: page.edition_id, words: ActiveModel::Type::Binary::Data.new(Zlib.deflate(JSON.generate(words))) })
      words.each { |word, sections| sums[page.access_list_id][word] += sections }
    end
    sums.each { |list, words| words.each_slice(5000) { |some| WordCount.insert_all!(some.map { |word, sections| { word: word, access_list_id: list, sections: sections } }) } }
    sums.values.flat_map(&:keys).uniq.each_slice(5000) { |words| Word.keep(words - [ WordCount::ALL ]) }
  end

  def words_of(page)
    sections = Section.where(page: page).order(:position).pluck(:title, :heading, :body)
    title = Zuhause::Finding::Folding.words(sections.dig(0, 0).to_s)
    counts = sections.each_with_index.flat_map { |(_title, heading, body), i| [ *(title if i.zero?), *Zuhause::Finding::Folding.words("#{heading}\n#{body}") ].uniq }.tally
    counts.reject { |word, _count| word.length > Zuhause::Finding::Folding::LONGEST }.merge(WordCount::ALL => sections.size)
  end

  def keep_levels(page)
    page.edition.state.sections.each_with_index.group_by { |section, _i| section.heading&.level || 1 }.except(1).each do |level, pairs|
      Section.where(page: page, position: pairs.map(&:last)).update_all(level: level)
    end
  end

  def down
    remove_column :sections, :level
    %i[counted_pages word_counts words].each { |table| drop_table table }
  end
end
