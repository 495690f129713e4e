# What works in the background goes from one write to the next. Whoever else waits to write looks every millisecond whether the
# database is free, and would hardly ever find it so: they are given a moment after each transaction.
module GivesWay
  MOMENT = 0.01 # seconds, in which several who wait have a look

  class << self
    # @yield in which it does
    def while_working
      before = Thread.current[:gives_way]
      Thread.current[:gives_way] = Rails.configuration.x.gives_way
      yield
    ensure
      Thread.current[:gives_way] = before
    end

    # Called after a transaction.
    def now
      sleep MOMENT if Thread.current[:gives_way]
    end
  end
end
