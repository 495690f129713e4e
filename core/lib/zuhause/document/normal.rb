module Zuhause
  module Document
    # The normal form of a tree: what means the same is the same JSON. Marks stand in one order and once each,
    # neighbours with equal marks are one, attributes at their default are left out, keys have one order.
    class Normal
      CONTROL = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F\uFDD0-\uFDEF\uFFFE\uFFFF]/
      private_constant :CONTROL

      # @param tree [Hash] a tree that {Check} finds nothing against
      # @return [Array(Hash, Array<String>)] the tree in normal form, and the link targets that became text
      # @raise [Invalid] for more than a document can hold
      def self.form(tree)
        normal = new
        [ normal.node(tree), normal.dropped.uniq ]
      end

      # @param text [String] of any encoding, valid or not
      # @return [String] UTF-8 without control characters and non-characters; tabs and line ends stay
      def self.clean(text)
        text = text.encode("UTF-8", invalid: :replace, undef: :replace) unless text.encoding == Encoding::UTF_8
        text.scrub("\uFFFD").gsub(/\r\n?/, "\n").gsub(CONTROL, "")
      end

      # @param nodes [Array<Hash>] what stands in a line
      # @return [Array<Hash>] neighbours with equal marks as one
      def self.joined(nodes)
        nodes.slice_when { |a, b| !(a["type"] == "text" && b["type"] == "text" && a["marks"] == b["marks"]) }
             .map { |run| run.one? ? run.first : run.first.merge("text" => run.map { |n| n["text"] }.join) }
      end

      attr_reader :dropped

      def initialize
        @dropped = []
        @size = Limits::Size.new
        @targets = Hash.new { |known, text| known[text] = Links::Target.parse(text) }
      end

      def node(tree, parent = nil)
        type = Schema::NODES.fetch(tree["type"])
        return text(tree, parent) if type.name == "text"

        result = { "type" => type.name }
        attrs = attrs(type, tree["attrs"])
        attrs = with_target(attrs) if attrs.key?("target")
        attrs = with_address(attrs) if attrs.key?("address")
        result["attrs"] = attrs if attrs.any?
        content = content(type, tree["content"] || [])
        content = filled(content) if type.name == "table"
        @size.add(result)
        result["content"] = content if content.any?
        result
      end

      private

      def content(type, children)
        nodes = children.filter_map { |child| node(child, type) }
        nodes = Normal.joined(nodes).map { |n| n.slice("type", "attrs", "text", "marks", "content") } if type.textblock?
        nodes = [ { "type" => "paragraph" } ] if nodes.empty? && (type.content.names & %w[block paragraph]).any?
        nodes
      end

      def filled(rows)
        before = rows.sum { |row| row["content"].size }
        Table.filled(rows).tap { |whole| @size.more(2 * (whole.sum { |row| row["content"].size } - before)) }
      end

      def text(tree, parent)
        text = Normal.clean(tree["text"])
        text = text.tr("\n", " ") unless parent&.name == "code_block"
        return if text.empty?

        result = { "type" => "text", "text" => text }
        marks = marks(tree["marks"] || [])
        result["marks"] = marks if marks.any?
        @size.add(result)
        result
      end

      def marks(marks)
        marks.filter_map { |mark| mark(mark) }.uniq { |m| m["type"] }.sort_by { |m| Schema::MARK_ORDER.fetch(m["type"]) }
      end

      def mark(mark)
        return plain_mark(mark) unless mark["type"] == "link"

        raw = mark.dig("attrs", "target").to_s
        target = @targets[raw]
        return dropped.push(raw) && nil unless target

        { "type" => "link", "attrs" => { "target" => target.to_s } }
      end

      # A picture that leads somewhere leads where a link may.
      def with_target(attrs)
        target = Links::Target.parse(attrs["target"])
        return attrs.merge("target" => target.to_s) if target

        dropped.push(attrs["target"])
        attrs.except("target")
      end

      # A card shows an address of the web, or none.
      def with_address(attrs)
        target = Links::Target.parse(attrs["address"])
        return attrs.merge("address" => target.to_s) if target&.kind == :web

        dropped.push(attrs["address"])
        attrs.except("address")
      end

      def plain_mark(mark)
        attrs = attrs(Schema::MARKS.fetch(mark["type"]), mark["attrs"])
        attrs.empty? ? { "type" => mark["type"] } : { "type" => mark["type"], "attrs" => attrs }
      end

      def attrs(type, given)
        return {} unless given

        type.attrs.each_with_object({}) do |(name, attr), result|
          result[name] = given[name] unless given.fetch(name, attr.default) == attr.default
        end
      end
    end
  end
end
