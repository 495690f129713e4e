module Zuhause
  module Finding
    # Filters typed in plain words with what is asked: "mooring in On Board, by Nils Abert, since May, with tasks, in German,
    # tagged winter". Only names that are known are filters; all else is asked for.
    class Typed
      LANGUAGES = { "english" => "en", "german" => "de", "french" => "fr", "danish" => "da", "norwegian" => "nb", "swedish" => "sv", "dutch" => "nl", "spanish" => "es", "italian" => "it", "polish" => "pl" }.freeze
      HAS = { "task" => :tasks, "tasks" => :tasks, "file" => :files, "files" => :files, "pictures" => :files }.freeze
      SINCE = /(?:\A|[\s,])since\s+([^,]+?)(?=\s*(?:,|\z|\s(?:in|by|with|tagged)\s))/i
      private_constant :SINCE

      # @param text [String]
      # @return [Boolean] whether filters may stand in it: names need not be looked up else
      def self.any?(text)
        text.to_s.scrub.match?(/(?:\A|[\s,])(?:in|by|since|with|tagged)\s/i)
      end

      # @return [String] what is asked for besides
      attr_reader :text
      # @return [Hash{Symbol=>Object}] of :room, :author and :tag the value of the name typed; :since a date; :has of {HAS};
      #   :language a code
      attr_reader :filters

      # @param text [String]
      # @param rooms [Hash{String=>Object}] values by name, of those the asker knows of
      # @param people [Hash{String=>Object}]
      # @param tags [Hash{String=>Object}]
      # @param today [Date]
      def initialize(text, today:, rooms: {}, people: {}, tags: {})
        @text, @filters, @today = Document::Normal.clean(text.to_s)[0, Question::LONGEST], {}, today
        take_name(:room, "in", rooms)
        take_name(:author, "by", with_first_names(people))
        take_name(:tag, "tagged", tags)
        take_word(:language, "in", LANGUAGES)
        take_word(:has, "with", HAS)
        take_since
        @text = @text.gsub(/\s+,|,\s*,/, ",").gsub(/\A[\s,]+|[\s,]+\z/, "").squeeze(" ")
      end

      private

      # The longest name first, so that one that begins another is not taken for it.
      def take_name(filter, before, names)
        names.keys.sort_by { |name| -name.length }.each do |name|
          pattern = /(?:\A|(?<=[\s,]))#{before}\s+#{Regexp.escape(name)}(?=\s*(?:,|\z|\s))/i
          next unless @text.match?(pattern)

          @text = @text.sub(pattern, " ")
          return @filters[filter] = names[name]
        end
      end

      def take_word(filter, before, words)
        pattern = /(?:\A|(?<=[\s,]))#{before}\s+(#{Regexp.union(words.keys).source})(?=\s*(?:,|\z|\s))/i
        found = @text.match(pattern) or return
        @filters[filter] = words.fetch(found[1].downcase)
        @text = @text.sub(pattern, " ")
      end

      def take_since
        found = @text.match(SINCE) or return
        day = past(found[1]) or return
        @filters[:since] = day
        @text = @text.sub(found[0], " ")
      end

      # A month, or a day without its year, is the last one that there was.
      def past(words)
        month = Date::MONTHNAMES.compact.index { |name| name.casecmp?(words) || name[0, 3].casecmp?(words) }
        day = month ? Date.new(@today.year, month + 1, 1) : Days::Words.read(words, today: @today)
        day && day > @today ? day << 12 : day
      end

      # Somebody's first name will do where nobody else has it.
      def with_first_names(people)
        first = people.keys.group_by { |name| name.split.first.to_s }.select { |name, all| all.one? && !people.key?(name) }
        people.merge(first.transform_values { |all| people[all.first] })
      end
    end
  end
end
