# Several people in one story, each in a browser session of their own that is kept.
module SeveralPeople
  def as(who, &block)
    using_session(who.name) do
      sign_in_as(who) unless (@in ||= []).include?(who)
      @in |= [ who ]
      block.call
      assert_empty browser_problems
    end
  end
end
