# Medians of repeated runs, with the number of SQL queries of one, and ratios to a floor, which is measured in turns with what is
# compared to it: a machine may become half as fast from one minute to the next.
module Measuring
  include Rack::Test::Methods

  # @param process [String, Integer] its number
  # @return [Array(Integer, Integer, Integer)] megabytes: resident, its own, and of files that are mapped
  def self.memory(process = "self")
    status = File.read("/proc/#{process}/status")
    %w[VmRSS RssAnon RssFile].map { |name| status[/#{name}:\s+(\d+)/, 1].to_i / 1024 }
  end

  def app
    Rails.application
  end

  # What was measured, and its median in milliseconds.
  Measured = Struct.new(:work, :median)

  # @param floor [Measured, nil] that the ratio is told to
  # @return [Measured]
  def measure(name, floor = nil, &block)
    2.times(&block)
    queries = queries(&block)
    turns = Array.new(RUNS) { [ (time(&floor.work) if floor), time(&block) ] }
    beside, median = turns.transpose.map { |times| times.sort[RUNS / 2] if times.first }
    printf "%-52s %9.1f ms  %s  %3d queries\n", name, median, floor ? format("%6.2f×", median / beside) : "       ", queries
    Measured.new(block, median)
  end

  def visit(path)
    get(path)
    raise "#{path}: #{last_response.status}" unless last_response.status == 200
  end

  def sign_in(email)
    header "Host", "localhost"
    visit "/sign-in"
    token = last_response.body[/name="authenticity_token" value="([^"]+)"/, 1]
    post "/sign-in", { authenticity_token: token, "person[email]" => email, "person[password]" => "under-the-eaves" }
  end

  def rolled_back
    ActiveRecord::Base.transaction do
      yield
      raise ActiveRecord::Rollback
    end
  end

  private

  def time
    before = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    yield
    (Process.clock_gettime(Process::CLOCK_MONOTONIC) - before) * 1000
  end

  def queries(&block)
    count = 0
    counting = ->(*, payload) { count += 1 unless payload[:name].in?([ "SCHEMA", "TRANSACTION" ]) }
    ActiveSupport::Notifications.subscribed(counting, "sql.active_record", &block)
    count
  end
end
