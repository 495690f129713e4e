require "test_helper"

# Each job stands in a queue that a worker takes from: nothing else says so while jobs are done at once, as in tests.
class QueuesTest < ActiveSupport::TestCase
  test "every job's queue has a worker that takes from it" do
    workers = SolidQueue::Configuration.new(config_file: Rails.root.join("config/queue.yml").to_s, skip_recurring: true).configured_processes.select { |process| process.kind == :worker }
    taken = workers.flat_map { |worker| Array(worker.attributes[:queues]) }
    jobs = Rails.root.glob("app/jobs/*/*.rb").map { |file| file.basename(".rb").to_s.camelize.constantize }
    assert_operator jobs.size, :>, 5
    assert_empty jobs.map { |job| job.new.queue_name } - taken
  end
end
