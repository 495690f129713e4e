module Zuhause
  module Markup
    # Writes a comparison as HTML: every change bears a label in words and a sign, words that changed are ins and del.
    class ComparisonHTML < HTML
      # @param comparison [Changes::Comparison]
      # @param label [#call] takes a {Changes::Entry} that differs, gives its label's HTML
      # @param side [Symbol] :both in one column, or :old or :new alone
      # @param leaf [#call] see {HTML.write}
      # @return [Array<String, nil>] HTML of each block of the document; nil where this side has none
      def self.write(comparison, label:, tones: {}, side: :both, leaf: PLAIN_LEAF)
        writer = new(tones, label, side, leaf)
        comparison.root.children.map { |entry| writer.entry(entry) }
      end

      def initialize(tones, label, side, leaf)
        super(tones, PLAIN_LINK, leaf)
        @label = label
        @side = side
      end

      # @param entry [Changes::Entry]
      # @return [String, nil]
      # @param within [Symbol, nil] :added or :removed inside of what was added or removed whole, which says it for all
      def entry(entry, within: nil)
        return if hidden?(entry)

        inner = written(entry)
        return inner unless entry.difference? && (entry.moved || entry.kind != within)
        return labelled(entry, inner) if INSIDE.include?(entry.node["type"])

        %(<div#{mark(entry)}>#{@label.call(entry)}#{inner}</div>)
      end

      # Blocks whose label must stand inside them, since only they may stand where they do.
      INSIDE = Document::Schema::NODES.values.select { |type| type.block? && type.group.nil? }.map(&:name).freeze

      # Two columns of text have no room to break out into.
      def wide?
        false
      end

      # In place of a node's content stands its entry.
      def children(node)
        entry = node["content"]&.first
        return super unless entry.is_a?(Changes::Entry)

        whole = entry.kind if %i[added removed].include?(entry.kind)
        (entry.children || []).filter_map { |child| self.entry(child, within: whole) }.join
      end

      # Columns that went stand beside those that came.
      def size(node)
        entry = node["content"]&.first
        return super unless entry.is_a?(Changes::Entry)

        (entry.children || []).count { |child| !hidden?(child) }.clamp(*Document::Schema::NODES.fetch(node["type"]).content.then { |content| [ content.min, content.max || Float::INFINITY ] })
      end

      def inline(node)
        entry = node["content"]&.first
        return super unless entry.is_a?(Changes::Entry)

        entry.parts ? entry.parts.map { |part| part(part) }.join : super({ "content" => entry.node["content"] })
      end

      def code(node, _language)
        inline(node)
      end

      # What stands at the foot is compared where its number stands.
      def note(node)
        %(<span class="footnote-words">#{inline(node)}</span>)
      end

      # Ids stand in a comparison twice, or not where they were.
      def id(_node)
        ""
      end

      private

      def labelled(entry, html)
        html = html.sub(/\A<(\w+)[^>]*>/) { |tag| "#{tag.sub(/ (?:class|data-change)="[^"]*"/, "").delete_suffix(">")}#{mark(entry)}>" }
        into = entry.node["type"] == "row" ? /<t[dh][^>]*>/ : /\A<\w+[^>]*>/
        html.sub(into) { |tag| "#{tag}#{@label.call(entry)}" }
      end

      def hidden?(entry)
        (@side == :old && entry.kind == :added) || (@side == :new && entry.kind == :removed)
      end

      def mark(entry)
        %( class="change change-#{entry.moved ? "moved" : entry.kind}" data-change="#{entry.number}")
      end

      # The node of the side that is shown, with what its entry says inside.
      def written(entry)
        node = @side == :old ? entry.old || entry.new : entry.node
        block(node.reject { |key, _value| key == "content" }.merge("content" => [ entry ]))
      end

      def part(part)
        return "" if (@side == :old && part.kind == :added) || (@side == :new && part.kind == :removed)

        html = HTML.instance_method(:inline).bind_call(self, { "content" => @side == :old ? part.old || part.new : part.new || part.old })
        case part.kind
        when :added then "<ins>#{html}</ins>"
        when :removed then "<del>#{html}</del>"
        when :formatted then %(<span class="formatted">#{html}</span>)
        else html
        end
      end
    end
  end
end
