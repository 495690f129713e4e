require "date"

module Zuhause
  module Freshness
    # Days that a text names: 2026-03-31, 31 March 2026, March 31, 2026, 31. März 2026, 31.3.2026, and months with their year, of
    # which the last day counts. Days written with strokes are read differently from place to place, and are left alone.
    module TextDates
      # +on+ [Date]; +block_id+ [String]: the block it stands in; +words+ [String]: as it stands there.
      Found = Struct.new(:on, :block_id, :words)

      # English and German, in full and by their customary short forms.
      MONTHS = [
        %w[january januar jänner jan], %w[february februar feb], %w[march märz maerz mar mär], %w[april apr], %w[may mai], %w[june juni jun],
        %w[july juli jul], %w[august aug], %w[september sept sep], %w[october oktober oct okt], %w[november nov], %w[december dezember dec dez]
      ].each.with_index(1).flat_map { |names, number| names.map { |name| [ name, number ] } }.to_h.freeze

      NAMES = MONTHS.keys.sort_by { |name| -name.size }.join("|")
      MONTH = /(?<month>(?i:#{NAMES}))\b\.?/
      DAY = /(?<![\p{L}\p{N}.,])(?<day>\d{1,2})(?:st|nd|rd|th|\.)?/
      BARE_YEAR = /(?<year>(?:19|20|21)\d\d)/
      YEAR = /#{BARE_YEAR}(?![\p{L}\p{N}])/
      FORMS = [
        /(?<![\p{L}\p{N}-])#{BARE_YEAR}-(?<number>\d\d)-(?<day>\d\d)(?![\p{L}\p{N}])/,
        /#{DAY} (?:of )?#{MONTH},? #{YEAR}/,
        /(?<![\p{L}\p{N}])#{MONTH} (?<day>\d{1,2})(?:st|nd|rd|th)?,? #{YEAR}/,
        /(?<![\p{L}\p{N}.,])(?<day>\d{1,2})\. ?(?<number>\d{1,2})\. ?#{YEAR}(?!\.\d)/,
        /(?<![\p{L}\p{N}])(?<!\d )(?<!\d\. )#{MONTH} #{YEAR}/
      ].freeze
      ANY_YEAR = /(?:19|20|21)\d\d/
      MOST = 500 # of one document

      module_function

      # @param document [Hash]
      # @return [Array<Found>] in the order of the text, at most {MOST}; what is code is left alone
      def in(document)
        Document::Walk.blocks(document).lazy.flat_map { |node| of_block(node) }.first(MOST)
      end

      # @param text [String]
      # @return [Array<Array(Date, String)>] each day with its words, in order; where one form stands within another the longer counts
      def in_text(text)
        return [] unless text.match?(ANY_YEAR)

        taken = []
        FORMS.each do |form|
          text.to_enum(:scan, form).each do
            match = Regexp.last_match
            range = match.begin(0)...match.end(0)
            next if taken.any? { |other, *| other.begin < range.end && range.begin < other.end }

            day = day(match)
            taken << [ range, day, match[0] ] if day
          end
        end
        taken.sort_by { |range, *| range.begin }.map { |_range, day, words| [ day, words ] }
      end

      def of_block(node)
        return [] if node["type"] == "code_block" || !Document::Schema::NODES.fetch(node["type"]).textblock?

        in_text(Document::Text.of(node)).map { |day, words| Found.new(day, node.dig("attrs", "id"), words) }
      end

      def day(match)
        names = match.names
        year = match[:year].to_i
        month = names.include?("number") ? match[:number].to_i : MONTHS.fetch(match[:month].downcase)
        day = names.include?("day") ? match[:day].to_i : -1
        Date.new(year, month, day) if Date.valid_date?(year, month, day)
      end
      private_class_method :of_block, :day
    end
  end
end
