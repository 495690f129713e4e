require "date"

module Zuhause
  module Days
    # Days as people say them: "tomorrow", "in two weeks", "next Friday", "1 Dec", "2026-12-01".
    class Words
      NUMBERS = { "a" => 1, "an" => 1, "one" => 1, "two" => 2, "three" => 3, "four" => 4, "five" => 5, "six" => 6, "seven" => 7, "eight" => 8, "nine" => 9, "ten" => 10, "eleven" => 11, "twelve" => 12 }.freeze
      WEEKDAYS = Date::DAYNAMES.map(&:downcase)
      MONTHS = Date::MONTHNAMES.compact.map(&:downcase)
      NUMBER = /(?<number>\d{1,3}|#{NUMBERS.keys.sort_by { |word| -word.size }.join("|")})/
      UNIT = /(?<unit>day|week|fortnight|month|quarter|year)s?/
      WEEKDAY = /(?<weekday>mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)/
      MONTH = /(?<month>#{MONTHS.map { |name| "#{name[0, 3]}(?:#{name[3..]})?" }.join("|")}|sept)\.?/
      DAY = /(?<day>\d{1,2})(?:st|nd|rd|th|\.)?/
      YEAR = /(?:,?\s+(?<year>\d{4}))?/

      # @param text [String] any text
      # @param today [Date]
      # @param month_first [Boolean] how "1/12" is read
      # @return [Date, nil] nil if it says no day
      def self.read(text, today:, month_first: false)
        new(today, month_first).read(text.to_s.downcase.strip.gsub(/\s+/, " "))
      end

      def initialize(today, month_first)
        @today = today
        @month_first = month_first
      end

      def read(text)
        case text
        when "today", "now" then @today
        when "tomorrow" then @today + 1
        when "yesterday" then @today - 1
        when "day after tomorrow", "the day after tomorrow" then @today + 2
        when /\A(?:in |after )#{NUMBER} #{UNIT}\z/, /\A#{NUMBER} #{UNIT}(?: from now| later)?\z/ then step($~, 1)
        when /\A#{NUMBER} #{UNIT} ago\z/ then step($~, -1)
        when /\A(?<which>next|last|this) #{UNIT}\z/ then step({ "number" => { "next" => "1", "last" => "1", "this" => "0" }[$~["which"]], "unit" => $~["unit"] }, $~["which"] == "last" ? -1 : 1)
        when /\A(?:end of|by the end of) (?:the |this )?(?<unit>week|month|quarter|year)\z/ then end_of($~["unit"])
        when /\A(?:(?<which>next|last|this|on|coming) )?#{WEEKDAY}\z/ then weekday($~["weekday"], $~["which"])
        when /\A(\d{4})-(\d{1,2})-(\d{1,2})\z/ then day($1, $2, $3)
        when /\A#{DAY} (?:of )?#{MONTH}#{YEAR}\z/, /\A#{MONTH} #{DAY}#{YEAR}\z/ then named($~)
        when %r{\A(\d{1,2})([./])(\d{1,2})(?:\2(\d{4})?)?\z} then numbered($1, $3, $4, $2)
        end
      end

      private

      def step(match, sign)
        count = sign * (NUMBERS[match["number"]] || match["number"].to_i)
        case match["unit"]
        when "day" then @today + count
        when "week" then @today + (7 * count)
        when "fortnight" then @today + (14 * count)
        when "month" then @today >> count
        when "quarter" then @today >> (3 * count)
        when "year" then @today >> (12 * count)
        end
      end

      # Weeks end on Sunday (ISO 8601).
      def end_of(unit)
        case unit
        when "week" then @today + (7 - @today.cwday)
        when "month" then Date.new(@today.year, @today.month, -1)
        when "quarter" then Date.new(@today.year, (((@today.month - 1) / 3) + 1) * 3, -1)
        when "year" then Date.new(@today.year, 12, 31)
        end
      end

      # "Friday" and "this Friday" are the next one to come, today not counted; "next Friday" is that of the week after
      # this one.
      def weekday(name, which)
        wanted = WEEKDAYS.index { |full| full.start_with?(name[0, 3]) }
        ahead = ((wanted - @today.wday - 1) % 7) + 1
        case which
        when "last" then @today - (((@today.wday - wanted - 1) % 7) + 1)
        when "next" then @today + (7 - @today.cwday) + (wanted.zero? ? 7 : wanted)
        else @today + ahead
        end
      end

      def named(match)
        month = MONTHS.index { |full| full.start_with?(match["month"][0, 3]) } + 1
        match["year"] ? day(match["year"], month, match["day"]) : coming(month, match["day"])
      end

      # With dots the day stands first everywhere; with strokes it depends.
      def numbered(first, second, year, sign)
        month, day = sign == "/" && @month_first ? [ first, second ] : [ second, first ]
        year ? day(year, month, day) : coming(month, day)
      end

      # Without a year it is the next such day.
      def coming(month, day)
        this_year = day(@today.year, month, day)
        this_year && this_year < @today ? day(@today.year + 1, month, day) : this_year
      end

      def day(year, month, day)
        Date.new(year.to_i, month.to_i, day.to_i) if Date.valid_date?(year.to_i, month.to_i, day.to_i)
      end
    end
  end
end
