require "timeout"

# Some inputs would keep a careless reading busy for hours. That it ends is what is asked here, not how fast: a machine may be
# thirty times slower than usual before this fails.
module Ending
  def ends(&block)
    Timeout.timeout(180, &block)
  end
end

Minitest::Test.include(Ending)
