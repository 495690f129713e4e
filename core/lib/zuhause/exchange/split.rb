require "json"

module Zuhause
  module Exchange
    # A text that is more than one page can hold, as several: what stands before its first heading stays, and each further one holds as
    # many of its greatest sections as fit. A section that is too much by itself is cut between its blocks, a list or a table that is,
    # between its items or rows, and an item that is, between what stands in it.
    class Split
      FACTOR = 12 # times what one page can hold is read to be split
      SHARE = 0.6 # of what a page can hold, so that it can still grow
      LONGEST = 90 # letters of a heading in a title that names two
      WITHIN = 0.9 # of a piece, since what it stands in counts too
      ITEMS = %w[list_item task step].freeze
      CUT = %w[bullet_list ordered_list task_list definition_list table steps].freeze

      # +title+: of its first section, nil for what stands before it; +number+: from 2 of what continues another piece.
      Piece = Struct.new(:title, :content, :number, keyword_init: true)

      # @param doc [Hash] in normal form, every block with an id
      # @return [Array<Piece>, nil] nil if it cannot be split so that each fits
      def self.of(doc)
        new(doc).pieces
      end

      def initialize(doc)
        @doc = doc
      end

      def pieces
        lead, *sections = sections_of(@doc["content"])
        pieces = [ *continued(lead, nil), *packed(sections).flat_map { |group| continued(group.flatten(1), title(group)) } ]
        pieces if pieces.size > 1 && pieces.all? { |piece| size(piece.content) <= 1 }
      end

      private

      # What stands before the first heading, and the sections: of the level at which all fit, or else of the lowest there is.
      def sections_of(content)
        ways = Document::Schema::HEADING_LEVELS.filter_map do |level|
          first = content.index { |node| heading?(node, level) } or next
          [ content.first(first), *content.drop(first).slice_before { |node| heading?(node, level) } ]
        end
        ways.find { |_lead, *sections| sections.all? { |section| size(section) <= 1 } } || ways.last || [ content ]
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

      def title(group)
        first, last = [ group.first, group.last ].map { |section| Document::Text.of(section.first).strip }
        group.one? ? first : "#{first[0, LONGEST]} – #{last[0, LONGEST]}"
      end

      def continued(content, title)
        contents = size(content) <= 1 ? [ content ] : filled(content.flat_map { |block| size([ block ]) <= 1 ? [ block ] : parts_of(block) })
        contents.each_with_index.map { |part, i| Piece.new(title: title, content: part, number: (i + 1 if i.positive?)) }
      end

      # @return [Array<Hash>] what a list or a table holds in several, the same block otherwise
      def parts_of(block)
        return [ block ] unless CUT.include?(block["type"])

        done = 0
        filled(units(block).flat_map { |unit| cut(unit) }, within: true).map do |children|
          part = done.zero? ? block.merge("content" => children) : further(block, children, continues?(children.first) ? done - 1 : done)
          done += children.count { |child| !continues?(child) }
          part
        end
      end

      # What is not cut from each other: a term and what it means.
      def units(block)
        block["type"] == "definition_list" ? block["content"].slice_before { |child| child["type"] == "term" }.to_a : block["content"].map { |child| [ child ] }
      end

      # @param unit [Array<Hash>]
      # @return [Array<Array<Hash>>] an item that is too much by itself as several
      def cut(unit)
        item, *more = unit
        return [ unit ] if more.any? || size(unit) <= WITHIN || !ITEMS.include?(item["type"])

        filled(item["content"].flat_map { |block| size([ block ]) <= WITHIN ? [ block ] : parts_of(block) }, within: true).each_with_index.map do |content, i|
          [ i.zero? ? item.merge("content" => content) : item.merge("attrs" => item.fetch("attrs", {}).except("id"), "content" => content).reject { |_key, value| value.empty? } ]
        end
      end

      # Numbers go on, and a table begins with its headings again.
      def further(block, children, done)
        attrs = block.fetch("attrs", {}).except("id")
        attrs = attrs.merge("start" => attrs.fetch("start", 1) + done) if block["type"] == "ordered_list"
        head = block["type"] == "table" ? block["content"].first(1).select { |row| row["content"].all? { |cell| cell["type"] == "header_cell" } } : []
        { "type" => block["type"], **(attrs.empty? ? {} : { "attrs" => attrs }), "content" => [ *head.map { |row| Document::Ids.strip(row) }, *children ] }
      end

      # As many as fit, one after another.
      #
      # @param items [Array<Hash>, Array<Array<Hash>>]
      # @return [Array<Array<Hash>>]
      def filled(items, within: false)
        full = within ? WITHIN : 1.0
        sum = 0
        items.map { |item| item.is_a?(Array) ? item : [ item ] }.slice_before do |item|
          more = sum + size(item) > full || continues?(item.first) # what continues a list is not put back to it
          sum = (more ? 0 : sum) + size(item)
          more
        end.map { |group| group.flatten(1) }
      end

      # What continues another bears no id yet.
      def continues?(block)
        block.dig("attrs", "id").nil?
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
