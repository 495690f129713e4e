module Zuhause
  module Document
    # Holds a tree from outside against the schema.
    class Check
      WORDS = {
        not_a_document: "is not a document",
        too_large: "is larger than %{bytes} bytes",
        too_deep: "stands more than %{depth} levels deep",
        unknown_type: "is not a node type",
        wrong_place: "cannot stand in %{parent}",
        too_few: "needs at least %{min} inside",
        too_many: "holds more than %{max}",
        bad_attr: "has no valid %{attr}",
        unknown_attr: "has no attribute %{attr}",
        bad_text: "has no text",
        bad_mark: "cannot carry the mark %{mark}",
        most_nodes: "holds more than %{most} nodes",
        most_cells: "holds a table of more than %{most} cells",
        most_markup: "holds more than %{most} tags",
        most_attributes: "holds an element with more than %{most} attributes",
        most_markdown: "is a text of more than %{most} bytes",
        most_html: "is a text of more than %{most} bytes"
      }.freeze
      private_constant :WORDS

      # One thing that does not fit. +code+ (Symbol) says what, +node+ (String) the node type it is about,
      # +details+ (Hash) the rest, +path+ (Array<Integer>) the way there by places of children.
      Problem = Struct.new(:code, :node, :details, :path, keyword_init: true) do
        def to_s
          place = path.empty? ? "" : " at #{path.join(".")}"
          "#{node}#{place} #{format(WORDS.fetch(code), details)}"
        end
      end

      # @param tree [Object] anything that JSON can hold
      # @return [Array<Problem>] at most 20 of them; empty when the tree fits
      def self.problems(tree)
        new.tap { |check| check.run(tree) }.problems
      end

      MOST = 20
      INLINE_LEVELS = 2 # what stands in a line, and what stands in that

      attr_reader :problems

      def initialize
        @problems = []
      end

      def run(tree)
        return add(:not_a_document, tree, []) unless tree.is_a?(Hash) && tree["type"] == "doc"

        check_tree(tree)
        return if problems.any?

        size = JSON.generate(tree).bytesize
        add(:too_large, tree, [], bytes: Schema::MAX_BYTES) if size > Schema::MAX_BYTES
      rescue Invalid => e
        problems.replace(e.problems)
      rescue JSON::GeneratorError, JSON::NestingError, EncodingError
        add(:bad_text, tree, [])
      end

      private

      def check_tree(tree)
        stack = [ [ tree, [] ] ]
        size = Limits::Size.new
        while problems.size < MOST && (node, path = stack.pop)
          size.add(node)
          if path.size > Schema::MAX_DEPTH + (inline?(node) ? INLINE_LEVELS : 0)
            add(:too_deep, node, path, depth: Schema::MAX_DEPTH)
          elsif check_node(node, path)
            Array(node["content"]).each_with_index.reverse_each { |child, i| stack.push([ child, path + [ i ] ]) }
          end
        end
      end

      def inline?(node)
        node.is_a?(Hash) && Schema::NODES[node["type"]]&.group == "inline"
      end

      # @return [Boolean] whether its children can be looked at
      def check_node(node, path)
        type = node.is_a?(Hash) && Schema::NODES[node["type"]]
        return add(:unknown_type, node, path) unless type && (path.empty? || type.name != "doc")

        check_attrs(type, node, path)
        return check_text(node, path) if type.name == "text"

        check_content(type, node, path)
      end

      def check_text(node, path)
        valid = node["text"].is_a?(String) && node["text"].valid_encoding? && !node["text"].empty?
        add(:bad_text, node, path) unless valid
        marks = node.fetch("marks", nil) || []
        return add(:bad_mark, node, path, mark: "?") unless marks.is_a?(Array)

        marks.each { |mark| check_mark(mark, node, path) }
        false
      end

      def check_mark(mark, node, path)
        type = mark.is_a?(Hash) && Schema::MARKS[mark["type"]]
        return add(:bad_mark, node, path, mark: mark.is_a?(Hash) ? mark["type"].to_s[0, 40] : "?") unless type

        attrs = mark["attrs"] || {}
        fits = attrs.is_a?(Hash) && attrs.all? { |name, value| type.attrs[name]&.allows?(value) }
        add(:bad_mark, node, path, mark: type.name) unless fits
      end

      def check_attrs(type, node, path)
        attrs = node["attrs"] || {}
        return add(:bad_attr, node, path, attr: "attrs") unless attrs.is_a?(Hash)

        attrs.each do |name, value|
          attr = type.attrs[name]
          if attr.nil?
            add(:unknown_attr, node, path, attr: name.to_s[0, 40])
          elsif !attr.allows?(value)
            add(:bad_attr, node, path, attr: name)
          end
        end
      end

      def check_content(type, node, path)
        children = node["content"] || []
        return add(:too_few, node, path, min: 1) unless children.is_a?(Array)

        content = type.content
        add(:too_few, node, path, min: content.min) if children.size < content.min
        return add(:too_many, node, path, max: content.max) if content.max && children.size > content.max

        children.each_with_index { |child, i| check_place(type, child, path + [ i ]) }
        true
      end

      def check_place(parent, child, path)
        type = child.is_a?(Hash) && Schema::NODES[child["type"]]
        return unless type # told when its turn comes

        add(:wrong_place, child, path, parent: parent.name) unless Schema.fits?(type.name, parent.content)
        add(:bad_mark, child, path, mark: "any") if !parent.marks && Array(child["marks"]).any?
      end

      def add(code, node, path, **details)
        name = node.is_a?(Hash) ? node["type"].to_s[0, 40] : node.class.name
        problems << Problem.new(code: code, node: name, details: details, path: path) if problems.size < MOST
        false
      end
    end
  end
end
