require "test_helper"
require "zlib"

# Houses of earlier releases, filled, are brought forward: what they held they hold, and their tables become those of a new
# house. Each release adds its dump: sqlite3 FILE .dump | gzip -9n > test/dumps/DAY.sql.gz
class MigrationsTest < ActiveSupport::TestCase
  DUMPS = Rails.root.glob("test/dumps/*.sql.gz")
  # What earlier houses held elsewhere, as it is read now.
  TEXT = "(SELECT body FROM texts WHERE texts.page_id = held.page_id AND texts.digest = held.digest)".freeze
  TICK = "(SELECT %s FROM ticks WHERE ticks.page_id = held.page_id AND ticks.block_id = held.block_id)".freeze
  MOVED = { %w[arrivals texts] => "'[]'", %w[drafts document] => TEXT, %w[editions document] => TEXT, %w[tasks ticked_at] => format(TICK, "ticked_at"), %w[tasks ticked_by_id] => format(TICK, "person_id") }.freeze
  WORKED_OUT = %w[references citations].freeze # anew from texts and settings, which the check of the house compares
  OWN_TABLES = /\A(sqlite_|schema_migrations|ar_internal_metadata)/ # of SQLite and Active Record

  test "there are dumps" do
    assert_operator DUMPS.size, :>=, 1
  end

  DUMPS.each do |dump|
    test "the house of #{dump.basename(".sql.gz")} is brought forward" do
      with_house(dump) do |file|
        before = held(file)
        assert_operator before["pages"][:rows].size, :>, 20
        told = bring_forward(file)
        assert_equal [ [], before["pages"][:rows].size ], [ told["harms"], told["pages"] ]
        assert_told(before, file)
        now = held(file, columns: before.except("access_events", *WORKED_OUT).transform_values { |table| table[:columns] })
        assert_empty(now.keys.reject { |name| before[name] == now[name] })
        assert_equal schema(Rails.root.join("db/structure.sql").read), schema_of(file)
        assert_equal [ "ok" ], query(file, "PRAGMA integrity_check").flatten
        assert_empty query(file, "PRAGMA foreign_key_check")
      end
    end
  end

  private

  # Editions, and changes of access, which earlier houses kept apart, are told of as what happened.
  def assert_told(before, file)
    told = query(file, "SELECT act, page_id, happenings.created_at, person_id FROM happenings LEFT JOIN happening_actors ON happening_id = happenings.id")
    editions = picked(before, "editions", "page_id", "published_at", "author_id").map { |page, at, author| [ "published", page, at, author ] }
    events = before["access_events"] ? picked(before, "access_events", "act", "page_id", "created_at", "actor_id") : []
    assert_empty((editions + events).tally.to_a - told.tally.to_a)
  end

  def picked(held, table, *names)
    places = names.map { |name| held[table][:columns].index(name) }
    held[table][:rows].map { |row| row.values_at(*places) }
  end

  def with_house(dump)
    Dir.mktmpdir do |folder|
      file = File.join(folder, "house.sqlite3")
      _out, status = Open3.capture2("sqlite3", file, stdin_data: Zlib::GzipReader.open(dump, &:read))
      assert_predicate status, :success?
      yield file
    end
  end

  # With every class loaded at once, as in a house at work: none may ask for a table while it is loaded.
  def bring_forward(file)
    settings = { "RAILS_ENV" => "test", "TEST_DATABASE" => file, "CI" => "1" }
    out, problem, status = Open3.capture3(settings, "bin/rails", "runner", "test/dumps/bring_forward.rb", chdir: Rails.root.to_s)
    assert_predicate status, :success?, problem
    JSON.parse(out.lines.last)
  end

  def query(file, sql)
    SQLite3::Database.new(file, readonly: true).tap { |database| database.results_as_hash = false }.execute(sql)
  end

  # @param columns [Hash{String=>Array<String>}, nil] of each table; all of them if none are given
  # @return [Hash{String=>Hash}] what every table holds
  def held(file, columns: nil)
    tables = columns&.keys || query(file, "SELECT name FROM sqlite_schema WHERE type = 'table' AND sql NOT LIKE 'CREATE VIRTUAL%'").flatten.reject { |name| name.match?(OWN_TABLES) || name.match?(/_(data|idx|docsize|config|content)\z/) }
    tables.to_h do |table|
      names = columns ? columns[table] : query(file, "PRAGMA table_info(\"#{table}\")").map { |row| row[1] }
      there = query(file, "PRAGMA table_info(\"#{table}\")").map { |row| row[1] }
      picked = names.map { |name| there.include?(name) ? "\"#{name}\"" : MOVED.fetch([ table, name ]) }
      [ table, { columns: names, rows: query(file, "SELECT #{picked.join(", ")} FROM \"#{table}\" AS held ORDER BY 1, 2").map { |row| row.map { |value| plain(value) } } } ]
    end
  end

  # Documents one way, compressed or not.
  def plain(value)
    value = Zlib.inflate(value).force_encoding(Encoding::UTF_8) if value.is_a?(String) && value.encoding == Encoding::BINARY
    value.is_a?(String) && value.start_with?("{\"") ? JSON.parse(value) : value
  end

  # Columns, indexes and triggers, however the statements that made them are written.
  def schema_of(file)
    tables = query(file, "SELECT name FROM sqlite_schema WHERE type = 'table' ORDER BY name").flatten.reject { |name| name.match?(OWN_TABLES) }
    others = query(file, "SELECT type, name, tbl_name FROM sqlite_schema WHERE type IN ('index', 'trigger') AND sql IS NOT NULL ORDER BY 1, 2")
    { columns: tables.to_h { |table| [ table, query(file, "PRAGMA table_info(\"#{table}\")").map { |row| row[1, 3] }.sort ] }, others: others }
  end

  def schema(structure)
    Dir.mktmpdir do |folder|
      file = File.join(folder, "new.sqlite3")
      Open3.capture2("sqlite3", file, stdin_data: structure)
      schema_of(file)
    end
  end
end
