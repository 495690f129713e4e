# What a page view leaves to be written is written apart from it, one thing after the other, in the process's own time: nobody
# who reads waits for who writes, and what there is no time for is dropped.
class Apart
  MOST = 500 # that wait
  LAST = 5 # seconds for what is being written when the process ends: one that ends in the midst of it hangs in the database

  # @yield writes something that may be lost
  def self.do(&block)
    return block.call unless Rails.configuration.x.apart

    pool.post { Rails.application.executor.wrap { ApplicationRecord.connection_pool.with_connection(&block) } }
  end

  def self.pool
    @pool ||= Concurrent::ThreadPoolExecutor.new(min_threads: 0, max_threads: 1, max_queue: MOST, fallback_policy: :discard, idletime: 60).tap do |pool|
      at_exit { pool.shutdown && pool.wait_for_termination(LAST) }
    end
  end
  private_class_method :pool
end
