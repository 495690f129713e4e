ENV["RAILS_ENV"] ||= "test"
require_relative "../config/environment"
require "rails/test_help"

%w[amounts ending].each { |name| require Rails.root.join("core/test/support", name) }
Rails.root.glob("test/support/**/*.rb").sort.each { |file| require file }

# Each process makes a database of its own; one left from before would be emptied table by table, which breaks the
# index's own tables.
FileUtils.rm_f(Rails.root.glob("storage/test.sqlite3-[0-9]*"))

# Nobody waits for what reads texts apart; see ReadsNames.
ReadNamesJob.queue_adapter = :test

class ActiveSupport::TestCase
  include HouseBuilding, Talking, CountingQueries

  parallelize workers: :number_of_processors, threshold: 10
end

# SQLite's connections must not be shared between processes.
ActiveRecord::Base.connection_handler.clear_all_connections!(:all)
