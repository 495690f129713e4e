module Zuhause
  module Document
    # A node type: its name, what it holds, where it stands, its attributes; and whatever about it is not as it is with most.
    # Each type, or few that make no sense without each other, has a file in nodes/. What is derived from them: {Schema},
    # the editor's schema.json, and whatever markup/ and links/ do with a node.
    #
    # A plain type needs nothing but its declaration: it is shown as a "div" of its name, written in Markdown between fences
    # ({Markup::Fence}), read from nothing else, points nowhere, and its content is drawn where it stands.
    class Node
      ID = { "id" => Attr.matching(/\A[a-z0-9]{8}\z/) }.freeze

      class << self
        attr_reader :declared

        # @param name [String]
        # @param expression [String] what it holds, see {Content.parse}; empty for what holds nothing
        # @param group [String, nil] "block" or "inline"; nil for what stands only in what names it
        # @param attrs [Hash{String=>Attr}] every block has an id besides
        # @param marks [Boolean] whether the text in it can bear marks
        def type(name, expression = "", group: nil, attrs: {}, marks: true)
          @declared = { name: name, expression: expression, group: group, attrs: attrs, marks: marks }
          Node.all << new
        end

        # @return [Array<Node>]
        def all
          @all ||= []
        end
      end

      attr_reader :name, :expression, :group, :attrs, :marks, :content

      def initialize
        @name, @expression, @group, own, @marks = self.class.declared.values_at(:name, :expression, :group, :attrs, :marks)
        @attrs = block? ? ID.merge(own) : own
        @content = Content.parse(@expression)
        @textblock = @content.names.intersect?(%w[inline text])
      end

      def block?
        group != "inline" && name != "doc"
      end

      def leaf?
        expression.empty?
      end

      # @return [Boolean] whether its content is text rather than blocks
      def textblock?
        @textblock
      end

      # @param node [Hash] of this type, as in all that follows
      # @return [String] what it adds to the text that it stands in, if it stands in a line
      def text(_node)
        ""
      end

      # @return [Boolean] whether what it holds stands elsewhere than in the line that it is in
      def apart?
        false
      end

      # --- Shown

      # @param html [Markup::HTML]
      # @return [String] HTML
      def html(node, html)
        inner = if leaf? then html.leaf(node)
        else textblock? ? html.inline(node) : html.children(node)
        end
        html.element("div", node, inner, %( class="#{name.tr("_", "-")}"))
      end

      # @param sketch [Markup::Sketch]
      # @return [Array<Hash>] blocks that are still to be drawn below what it has drawn, a step in
      def sketch(node, _sketch, _x, _width)
        node["content"] || []
      end

      # --- In Markdown

      # @param around [Array<String, nil>] ids of blocks that begin with it
      # @param writer [Markup::MarkdownWriter]
      # @param alternate [Boolean] whether it follows another that it must be told apart from
      # @return [Array<String>, nil] lines; nil if it is to stand between fences
      def markdown(_node, _around, _writer, _alternate)
        nil
      end

      # @return [Object, nil] equal for neighbours that would run into one another if they were not written differently
      def runs_together(_node)
        nil
      end

      # @return [Array(String, String), nil] the scheme of the link that stands for it in a line, and the attribute it leads to
      def scheme
        nil
      end

      # --- From HTML

      # @return [Array<String>] names of elements that become it
      def elements
        []
      end

      # @param element [Nokogiri::XML::Element] one of those
      # @param reader [Markup::HTMLReader]
      # @param depth [Integer] the level of nesting on which it would stand, from 1
      # @param marks [Array<Hash>] that its text has from around
      # @return [Array<Hash>] blocks
      def read(_element, _reader, _depth, _marks)
        []
      end

      # --- Pointing elsewhere

      # @return [Array<Array(Links::Target, Symbol, String)>] what it points to by its attributes, the use and a label
      def targets(_node)
        []
      end

      # @yieldparam target [Links::Target] that can lead elsewhere
      # @yieldreturn [Links::Target]
      # @return [Hash] the node, pointing there
      def led(node)
        node
      end
    end
  end
end
