# For tests whose threads each have a connection and transactions of their own, as the server's threads do: what they leave
# is taken away by hand.
module ApartFromTransactions
  extend ActiveSupport::Concern

  included do
    self.use_transactional_tests = false
    teardown { empty_tables }
  end

  private

  # Holds the database's lock for writing until an act waits for it, having read what it reads before; the act goes on once
  # what the block does is committed.
  #
  # @param act [#call] run in a thread with a connection of its own
  # @return [Object] what the act gives
  def held_up(act)
    thread, waits = nil, Queue.new
    signal = lambda { |*, payload| waits << true if Thread.current[:held_up] && payload[:sql].match?(/\Abegin transaction/i) }
    ActiveSupport::Notifications.subscribed(BeforeIt.new(signal), "sql.active_record") do
      ApplicationRecord.transaction do
        House.current.touch # takes the lock
        thread = Thread.new { (Thread.current[:held_up] = true) && ApplicationRecord.connection_pool.with_connection { act.call } }
        thread.report_on_exception = false # it is raised where its value is asked for
        Timeout.timeout(180) { waits.pop }
        yield
      end
      thread.value
    end
  end

  # Tells of a statement before it runs.
  BeforeIt = Struct.new(:told) do
    def start(*given)
      told.call(*given)
    end

    def finish(*); end
  end

  # All are waited for, so that none goes on while the tables are emptied.
  def at_once(threads)
    gate = Queue.new
    running = Array.new(threads) do |i|
      Thread.new do
        gate.pop
        ApplicationRecord.connection_pool.with_connection { yield i }
      rescue StandardError => e
        e
      end
    end
    threads.times { gate << true }
    running.map(&:value).each { |value| raise value if value.is_a?(StandardError) }
  end

  def empty_tables
    connection = ApplicationRecord.connection
    tables = connection.tables - %w[schema_migrations ar_internal_metadata] - connection.tables.grep(/\A(section_index|title_index|title_words|name_index)/)
    Page.update_all("bin_root_id = id, binned_at = '2026-01-01'") # what is kept is not erased
    connection.disable_referential_integrity { tables.each { |table| connection.execute("DELETE FROM \"#{table}\"") } }
  end
end
