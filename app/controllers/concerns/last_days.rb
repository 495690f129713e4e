# The last day on which something counts that is given for a time.
module LastDays
  LONGEST = 10.years

  private

  # @return [Date, nil, Symbol] nil for good; :wrong for what is no day, has passed, or is too far
  def last_day
    return if params[:ends_on].blank?

    Date.iso8601(word(:ends_on)).then { |day| day.between?(House.today, House.today + LONGEST) ? day : :wrong }
  rescue Date::Error
    :wrong
  end
end
