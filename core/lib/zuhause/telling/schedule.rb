require "date"
require "tzinfo"

module Zuhause
  module Telling
    # When what is to be told leaves by mail: at once unless it is quiet where somebody is, or with the letter of their morning or
    # week. Hours are those of their own clock; an hour that a change to summer time leaves out comes with the next, one that comes
    # twice counts at its first.
    class Schedule
      LETTER_HOUR = 7
      HOURS = (0..23).freeze

      # @param zone [String] a name of the IANA time zone database
      # @param quiet [Array(Integer, Integer), nil] hours from and until which nothing comes, over midnight if the first is the later
      # @param hour [Integer] of letters
      # @param weekday [Integer] of the weekly letter, 0 for Sunday
      # @raise [TZInfo::InvalidTimezoneIdentifier]
      def initialize(zone, quiet: nil, hour: LETTER_HOUR, weekday: 1)
        @zone = TZInfo::Timezone.get(zone)
        @quiet = quiet unless quiet && quiet.first == quiet.last
        @hour, @weekday = hour, weekday
      end

      # @param way [Symbol] one of {Reasons::WAYS}
      # @param at [Time] when it happened
      # @return [Time, nil] in UTC; nil for never
      def due(way, at:)
        case way
        when :at_once then awake(at.utc)
        when :daily then next_letter(at.utc) { true }
        when :weekly then next_letter(at.utc) { |date| date.wday == @weekday }
        end
      end

      private

      # @return [Time] that time, or when the quiet ends
      def awake(at)
        local = @zone.utc_to_local(at)
        return at unless quiet?(local.hour)

        day = Date.new(local.year, local.month, local.day)
        [ day, day + 1 ].map { |each| at_hour(each, @quiet.last) }.find { |time| time > at }
      end

      def quiet?(hour)
        return false unless @quiet

        from, til = @quiet
        from < til ? (from...til).cover?(hour) : hour >= from || hour < til
      end

      # @yieldparam date [Date]
      # @return [Time] the first letter after that time, on a day for which the block holds
      def next_letter(at)
        local = @zone.utc_to_local(at)
        day = Date.new(local.year, local.month, local.day)
        (0..8).each do |days|
          date = day + days
          time = at_hour(date, @hour)
          return time if time > at && yield(date)
        end
      end

      # @return [Time] in UTC
      def at_hour(date, hour)
        local = Time.utc(date.year, date.month, date.day, hour)
        @zone.local_to_utc(local) { |periods| periods.max_by(&:observed_utc_offset) }.utc
      rescue TZInfo::PeriodNotFound
        @zone.local_to_utc(local + 3600) { |periods| periods.first }.utc
      end
    end
  end
end
