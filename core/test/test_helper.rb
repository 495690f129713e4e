$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "zuhause-core"
require "minitest/autorun"
require_relative "support/generated"

# Generated inputs differ from run to run; SEED=… repeats one.
SEED = Integer(ENV.fetch("SEED") { Random.new_seed % 1_000_000_000 })
puts "SEED=#{SEED}"
