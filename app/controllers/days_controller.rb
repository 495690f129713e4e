# Days as people say them, while somebody types one.
class DaysController < ApplicationController
  door :somebody

  OFFERED = [ "today", "tomorrow", "next Monday", "in one week", "in two weeks", "end of the month" ].freeze

  def index
    typed = params[:q].to_s.first(60)
    read = day(typed) and return render(json: [ choice(read, typed) ])

    render json: OFFERED.select { |words| words.include?(typed.downcase.strip) }.map { |words| choice(day(words), words) }
  end

  private

  def day(words)
    Zuhause::Days::Words.read(words, today: Date.current, month_first: I18n.locale == :"en-US")
  end

  def choice(day, words)
    { date: day.iso8601, words: l(day, format: :day_and_year), note: [ l(day, format: "%A"), words ].uniq.join(", ") }
  end
end
