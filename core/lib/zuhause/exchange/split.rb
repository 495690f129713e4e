require "json"

module Zuhause
  module Exchange
    # A text that is more than one page can hold, as several: what stands before its first heading stays, and each further one holds as
    # many of its greatest sections as fit.
    class Split
      FACTOR = 12 # times what one page can hold is read to be split
      SHARE = 0.6 # of what a page can hold, so that it can still grow
      LONGEST = 90 # letters of a heading in a title that names two

      Piece = Struct.new(:title, :content, keyword_init: true)

      # @param doc [Hash] in normal form, every block with an id
      # @return [Array<Piece>, nil] the first one without a title; nil if it cannot be split so that each fits
      def self.at_headings(doc)
        new(doc).pieces
      end

      def initialize(doc)
        @doc = doc
      end

      def pieces
        lead, *sections = sections_of(@doc["content"])
        return if sections.empty? || [ lead, *sections ].any? { |section| size(section) > 1 }

        [ Piece.new(content: lead), *packed(sections).map { |group| piece(group) } ]
      end

      private

      # What stands before the first heading of the level at which all sections fit, and the sections.
      def sections_of(content)
        Document::Schema::HEADING_LEVELS.each do |level|
          first = content.index { |node| heading?(node, level) } or next
          sections = content.drop(first).slice_before { |node| heading?(node, level) }.to_a
          return [ content.first(first), *sections ] if sections.all? { |section| size(section) <= 1 }
        end
        [ content ]
      end

      def heading?(node, level)
        node["type"] == "heading" && Document::Nodes::Heading.level(node) <= level
      end

      # As much as fits together.
      def packed(sections)
        sections.each_with_object([]) do |section, groups|
          if groups.last && groups.last.sum { |each| size(each) } + size(section) <= 1 then groups.last << section
          else groups << [ section ]
          end
        end
      end

      def piece(group)
        first, last = [ group.first, group.last ].map { |section| Document::Text.of(section.first).strip }
        Piece.new(title: group.one? ? first : "#{first[0, LONGEST]} – #{last[0, LONGEST]}", content: group.flatten(1))
      end

      # @return [Float] 1 for as much as a piece may hold
      def size(content)
        (@sizes ||= {}.compare_by_identity)[content] ||= [ JSON.generate(content).bytesize / (SHARE * Document::Schema::MAX_BYTES), nodes(content) / (SHARE * Document::Limits::MOST[:nodes]) ].max
      end

      def nodes(content)
        Document::Walk.each({ "type" => "doc", "content" => content }).count
      end
    end
  end
end
