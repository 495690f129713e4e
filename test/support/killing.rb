# What becomes of something if the process ends in the middle of it: nothing is rescued, and what is not committed is gone.
module Killing
  # No error that anything rescues.
  class Killed < Exception; end # rubocop:disable Lint/InheritException

  # Ends the thread's work before one of its statements reaches the database.
  module Counted
    def log(sql, ...)
      left = Thread.current[:statements_left]
      unless left.nil? || sql.match?(/\A(?:savepoint|release|rollback|begin|commit)/i)
        Thread.current[:statements_left] = left.zero? ? nil : left - 1
        raise Killed if left.zero?
      end
      super
    end
  end

  ActiveRecord::ConnectionAdapters::AbstractAdapter.prepend(Counted)

  # @param statements [Integer] that are still run
  # @return [Boolean] whether the block came to its end before
  def killed_after(statements)
    Thread.current[:statements_left] = statements
    yield
    true
  rescue Killed
    false
  ensure
    Thread.current[:statements_left] = nil
  end
end
