require "test_helper"

class ActsAskedTest < ActiveSupport::TestCase
  test "every act of the table is asked by a policy, and none that is not in it" do
    policies = Rails.root.glob("app/policies/*_policy.rb").map { |file| file.basename(".rb").to_s.camelize.constantize }
    asked = policies.flat_map { |policy| policy.questions.keys }.uniq | %i[archive] # which a room asks beside whether it is somebody's own
    assert_equal Zuhause::Access::Acts::TABLE.keys.sort, asked.sort
  end
end
