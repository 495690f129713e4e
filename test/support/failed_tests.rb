require "minitest"

# Notes which tests failed, one place a line, where FAILED_TESTS names a file: bin/test runs those once more, alone.
class FailedTests < Minitest::AbstractReporter
  def initialize(path)
    super()
    @path = path
  end

  def record(result)
    return if result.passed? || result.skipped?

    file, line = result.source_location
    File.write(@path, "#{file}:#{line}\n", mode: "a")
  end
end

module Minitest
  def self.plugin_failed_tests_init(_options)
    reporter << FailedTests.new(ENV["FAILED_TESTS"]) if ENV["FAILED_TESTS"]
  end
end

Minitest.extensions << "failed_tests"
