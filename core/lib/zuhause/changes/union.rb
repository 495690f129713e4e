module Zuhause
  module Changes
    # Two texts that were written from the same one, joined without asking what was meant: whatever stands in either of
    # them stands in the outcome. Blocks that both have stand once; of a block that differs both stand, the second behind
    # the first, unless one holds all that the other says.
    class Union
      # Blocks whose number of children is part of what they are.
      RIGID = %w[table row columns].freeze
      # Attributes that hold words.
      WORDS = %w[title name alt text].freeze
      WORD = /[\p{L}\p{M}\p{N}]+/

      # @param first [Hash] a document in normal form
      # @param second [Hash] another
      # @return [Hash] a document in normal form; blocks of the first keep their ids
      def self.of(first, second)
        new.of(first, second)
      end

      def of(first, second)
        nodes = Comparison.new(first, second).root.children.flat_map { |entry| build(entry) }
        Document.accept({ "type" => "doc", "content" => nodes + left_out(nodes, [ first, second ]) }).doc
      end

      private

      # Blocks that were moved, changed and moved again into what stands twice may have no place in it: they stand at the end.
      def left_out(nodes, docs)
        there = words({ "type" => "doc", "content" => nodes })
        docs.flat_map { |doc| Document::Walk.blocks(doc).to_a }.filter_map do |node|
          next if own_words(node).all? { |word| there.include?(word) }

          there.merge(own_words(node))
          own = Document::Schema::NODES.fetch(node["type"]).textblock?
          own ? Document::Ids.strip(node) : { "type" => "paragraph", "content" => [ { "type" => "text", "text" => own_words(node).join(" ") } ] }
        end
      end

      def words(doc)
        Document::Walk.blocks(doc).flat_map { |node| own_words(node) }.to_set
      end

      # Words of the block itself, not of blocks inside it.
      def own_words(node)
        own = Document::Schema::NODES.fetch(node["type"]).textblock? ? Document::Text.of(node) : ""
        [ own, *WORDS.map { |name| node.dig("attrs", name).to_s } ].flat_map { |text| text.scan(WORD) }
      end

      # @return [Array<Hash>]
      def build(entry)
        case entry.kind
        when :added then within(entry, entry.new)
        when :removed then left(entry)
        when :same then [ with_attrs(entry, entry.new) ]
        else changed(entry)
        end
      end

      def within(entry, node)
        return [ node ] if entry.children.nil? || entry.children.empty?

        [ node.merge("content" => entry.children.flat_map { |child| build(child) }) ]
      end

      # What a removed container held and is elsewhere by now is not told twice.
      def left(entry)
        return [ entry.old ] if entry.children.nil? || RIGID.include?(entry.old["type"]) || entry.children.size == entry.old["content"].to_a.size

        entry.children.empty? ? [] : [ entry.old.merge("content" => entry.children.flat_map { |child| build(child) }) ]
      end

      def changed(entry)
        return both(entry) if entry.children && uneven?(entry)
        return within(entry, entry.new).map { |node| with_attrs(entry, node) } if entry.children&.any?
        return [ with_attrs(entry, entry.new) ] if entry.parts.nil? || entry.parts.none? { |part| part.kind == :removed }
        return [ with_attrs(entry, entry.old) ] if entry.parts.none? { |part| part.kind == :added }

        both(entry)
      end

      # A table whose columns differ, or columns that are more or fewer.
      def uneven?(entry)
        case entry.new["type"]
        when "columns" then entry.children.any? { |column| other?(column) }
        when "table" then entry.children.any? { |row| row.kind == :changed && row.children.any? { |cell| other?(cell) } }
        end
      end

      def other?(entry)
        %i[added removed].include?(entry.kind) || entry.moved
      end

      def both(entry)
        [ entry.old, *Document::Ids.strip({ "type" => "doc", "content" => [ entry.new ] })["content"] ]
      end

      # Words that both gave an attribute stand beside each other; of anything else the second's holds.
      def with_attrs(entry, node)
        attrs = (node["attrs"] || {}).merge((entry.attrs || {}).to_h { |name, (one, other)| [ name, WORDS.include?(name) ? joined(one, other) : other ] }).compact
        attrs.empty? ? node.except("attrs") : node.merge("attrs" => attrs)
      end

      def joined(one, other)
        [ one, other ].reject { |words| words.to_s.empty? }.join(" / ")[0, Document::Schema::LONGEST_NAME]
      end
    end
  end
end
