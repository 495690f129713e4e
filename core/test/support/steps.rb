# How much work something is, told without a clock: lines run, methods called and objects made.
module Steps
  EVENTS = %i[line call c_call b_call].freeze

  # @yield what is measured; a text that is refused was work as well
  # @return [Integer]
  def self.of
    steps = 0
    trace = TracePoint.new(*EVENTS) { steps += 1 }
    made = GC.stat(:total_allocated_objects)
    trace.enable(target_thread: Thread.current) do
      yield
    rescue Zuhause::Document::Invalid
      steps
    end
    steps + GC.stat(:total_allocated_objects) - made
  end
end
