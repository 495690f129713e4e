require "test_helper"
require "support/told_house"

# In houses made by chance, everything that happens is told to those whom a second statement names, and to nobody else.
class GeneratedTellingTest < ActiveSupport::TestCase
  HOUSES, ACTS = ENV["LONG"] ? [ 30, 60 ] : [ 4, 40 ]

  HOUSES.times do |number|
    test "every act is told to whom it should be, for the reason that counts first, and to nobody else, in house #{number}" do
      house, seen = ToldHouse.new(Random.new((SEED * 100) + number)), Hash.new(0)
      ACTS.times do
        house.act.each do |happening|
          told = Telling.where(happening: happening).includes(:person).to_h { |telling| [ telling.person.name, telling.reason ] }
          assert_equal house.told_of(happening), told, "SEED=#{SEED}: #{happening.act} of #{happening.title} by #{happening.person&.name}"
          told.each_value { |reason| seen[[ happening.act, reason ]] += 1 }
        end
      end
      assert_predicate seen, :any? unless ENV["LONG"] # where nobody may do anything, nobody is told
    end
  end
end
