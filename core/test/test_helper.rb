$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "zuhause-core"
require "minitest/autorun"
require_relative "support/amounts"
require_relative "support/ending"
require_relative "support/generated"
