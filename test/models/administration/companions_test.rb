require "test_helper"

class CompanionsTest < ActiveSupport::TestCase
  self.use_transactional_tests = false # it takes databases of its own
  setup do
    @folder = Dir.mktmpdir
    @config = ActiveRecord::DatabaseConfigurations::HashConfig.new("test", "cache", { adapter: "sqlite3", database: File.join(@folder, "cache.sqlite3"), migrations_paths: Rails.root.join("db/cache_migrate").to_s })
  end

  teardown { FileUtils.rm_rf(@folder) }

  test "one that is missing, empty, cut or no database is made anew, and one that is sound is left alone" do
    assert_equal [ "cache" ], Companions.mend([ @config ])
    tables = SQLite3::Database.new(@config.database).execute("SELECT name FROM sqlite_master WHERE type = 'table'").flatten
    assert_includes tables, "solid_cache_entries"
    assert_empty Companions.mend([ @config ])

    whole = File.binread(@config.database)
    [ "", "no database", whole.byteslice(0, 5000) ].each do |bytes|
      FileUtils.rm_f(Dir["#{@config.database}-*"])
      File.binwrite(@config.database, bytes)
      assert_equal [ "cache" ], Companions.mend([ @config ]), bytes.byteslice(0, 20).inspect
      assert_equal bytes, File.binread("#{@config.database}.broken")
      assert_empty Companions.mend([ @config ])
    end
  end

  test "the server starts anew where one turns out to be broken, and not for any other error, nor again and again" do
    restart = File.join(@folder, "restart.txt")
    failed = -> { Companions.failed(SQLite3::Exception.new("not a database"), [ @config ], restart: restart) }
    Companions.mend([ @config ])
    travel_to(2.minutes.from_now) { assert_not failed.call }
    FileUtils.rm_f(Dir["#{@config.database}-*"])
    File.binwrite(@config.database, "garbage!" * 512)
    travel_to(4.minutes.from_now) { assert failed.call }
    assert File.exist?(restart)
    FileUtils.rm(restart)
    travel_to(4.5.minutes.from_now) { assert_not failed.call }
    assert_not File.exist?(restart)
  end
end
