module Zuhause
  module Finding
    # A section that may answer, as it is scored: what it says and what it stands under.
    class Candidate
      FIELDS = %i[title heading above path body].freeze
      LONGEST = 5000 # characters of a text that are scored

      attr_reader :id, :page, :links, :lately

      # @param id [Object]
      # @param page [Object] what it is a section of
      # @param fields [Hash{Symbol=>String}] texts by {FIELDS}
      # @param links [Integer] that lead to its page, of those the asker sees
      # @param lately [Boolean] whether the asker has read or written the page lately
      def initialize(id:, page:, fields:, links: 0, lately: false)
        @id, @page, @fields, @links, @lately = id, page, fields, links, lately
      end

      # @return [Array<String>] its words, folded
      def words(field)
        (@words ||= {})[field] ||= Folding.words(@fields.fetch(field, ""))
      end

      # @return [Places] of its text
      def places
        @places ||= Places.new(text(:body)[0, LONGEST])
      end

      def text(field)
        @fields.fetch(field, "")
      end
    end
  end
end
