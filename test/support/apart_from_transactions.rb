# For tests whose threads each have a connection and transactions of their own, as the server's threads do: what they leave
# is taken away by hand.
module ApartFromTransactions
  extend ActiveSupport::Concern

  included do
    self.use_transactional_tests = false
    teardown { empty_tables }
  end

  private

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
    tables = connection.tables - %w[schema_migrations ar_internal_metadata] - connection.tables.grep(/\A(section_index|title_index|title_words)/)
    Page.update_all("bin_root_id = id, binned_at = '2026-01-01'") # what is kept is not erased
    connection.disable_referential_integrity { tables.each { |table| connection.execute("DELETE FROM \"#{table}\"") } }
  end
end
