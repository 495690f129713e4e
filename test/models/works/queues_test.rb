require "test_helper"

# Each job stands in a queue that a worker takes from: nothing else says so while jobs are done at once, as in tests.
class QueuesTest < ActiveSupport::TestCase
  test "every job's queue has a worker that takes from it" do
    assert_operator jobs.size, :>, 5
    assert_empty jobs.map { |job| job.new.queue_name } - workers.flatten
  end

  # Other sites may take minutes not to answer.
  test "who waits for other sites has a worker for that alone, and people's work comes first in its queue" do
    queue = CheckAddressesJob.new.queue_name
    assert_equal [ [ queue ] ], workers.select { |queues| queues.include?(queue) }
    assert_equal [ CheckAddressesJob ], jobs.select { |job| job.new.queue_name == queue }
    assert_operator WorkJob.new.priority, :<, jobs.without(WorkJob).map { |job| job.new.priority.to_i }.min
  end

  private

  # @return [Array<Array<String>>] the queues that each takes from
  def workers
    SolidQueue::Configuration.new(config_file: Rails.root.join("config/queue.yml").to_s, skip_recurring: true).configured_processes.select { |process| process.kind == :worker }.map { |worker| Array(worker.attributes[:queues]) }
  end

  def jobs
    Rails.root.glob("app/jobs/*/*.rb").map { |file| file.basename(".rb").to_s.camelize.constantize }
  end
end
