# Medians of repeated runs, with the number of SQL queries of one, and ratios to a floor.
module Measuring
  include Rack::Test::Methods

  def app
    Rails.application
  end

  # @param floor [Float, nil] milliseconds that the ratio is told to
  # @return [Float] the median in milliseconds
  def measure(name, floor = nil, &block)
    2.times(&block)
    queries = queries(&block)
    median = Array.new(RUNS) { time(&block) }.sort[RUNS / 2]
    printf "%-52s %9.1f ms  %s  %3d queries\n", name, median, floor ? format("%6.2f×", median / floor) : "       ", queries
    median
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
