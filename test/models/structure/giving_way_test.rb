require "test_helper"
require "minitest/mock"

# Work in the background and those who wait to write.
class GivingWayTest < ActiveSupport::TestCase
  include ApartFromTransactions

  class Working < ActiveJob::Base
    queue_as :long

    def perform(times = 3)
      times.times { Person.transaction { Person.transaction(requires_new: true) { Person.update_all("name = name") } } }
    end
  end

  class Urgent < Working
    queue_as :now
  end

  setup { Rails.configuration.x.gives_way = true }
  teardown { Rails.configuration.x.gives_way = false }

  test "what works in the background leaves the database to others after each of its transactions" do
    assert_equal [ GivesWay::MOMENT ] * 3, moments { Working.perform_now }
  end

  test "what is urgent does not, nor does anybody who waits for an answer" do
    assert_empty(moments do
      Urgent.perform_now
      Working.new.perform
    end)
  end

  test "nobody gives way once the work is done, whether it succeeded or not" do
    person("Ana Berg")
    assert_raises(NoMethodError) { moments { Working.perform_now("much") } }
    assert_empty(moments { Person.transaction { Person.update_all("name = name") } })
  end

  private

  def moments(&work)
    [].tap { |found| GivesWay.stub(:sleep, ->(seconds) { found << seconds }, &work) }
  end
end
