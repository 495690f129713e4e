# Generated inputs are the same in each run, so that no run fails by chance. LONG=1 takes others and ten times as many,
# QUICK=1 a fifth; SEED=… repeats a run.
SEED = Integer(ENV.fetch("SEED") { ENV["LONG"] ? Random.new_seed % 1_000_000_000 : 1125 })
puts "SEED=#{SEED}"

module Amounts
  # @param count [Integer] of generated inputs in an ordinary run
  # @return [Integer] in this run
  def generate(count, &block)
    count *= 10 if ENV["LONG"]
    count = [ count / 5, 1 ].max if ENV["QUICK"]
    count.times(&block)
  end
end

Minitest::Test.include(Amounts)
