require "commonmarker"

module Zuhause
  module Markup
    # What stands at the foot of a Markdown text, as GFM has it: +[^1]+ where its number is to stand, +[^1]: Its words.+
    # anywhere below.
    module Footnotes
      DEFINITION = /^[ \t>]*\[\^([^\]\s]+)\](?=:)/
      UNUSED = /\[\^([^\]\s]+)\]#{Escapes::APART}/

      # Each place that refers to a note gets its words; more often than this it stands there by its number, or few words
      # referred to by many would become a very long text.
      MOST_COPIES = 10

      module_function

      # The parser drops what is never referred to. Here it stays, as text.
      #
      # @param markdown [String]
      # @yieldparam label [String] of each that is never referred to
      # @return [Array(CommonMarker::Node, Array<CommonMarker::Node>)] the tree, and what stands at the foot by number
      def parse(markdown)
        root = tree(markdown)
        notes = found(root)
        labels = markdown.scan(DEFINITION).flatten.uniq { |label| label.downcase(:fold) }
        return [ root, notes ] if labels.size == notes.size

        referred = notes.map { |note| note.string_content.downcase(:fold) }
        root = tree(markdown.gsub(DEFINITION) { "#{Regexp.last_match(0)}#{Escapes::APART unless referred.include?(Regexp.last_match(1).downcase(:fold))}" })
        words = root.walk.filter_map { |node| node.string_content if node.type == :text }.join
        words.scan(UNUSED) { |label,| yield label }
        [ root, found(root) ]
      end

      # @return [Array<Hash>] the inline nodes of one of its lines that can stand there, escapes still protected
      def line(paragraph, reports, lead = nil)
        InlineReader.new(paragraph, reports, nil, lead).nodes.select { |node| %w[text hard_break].include?(node["type"]) }
      end

      # @return [Array<Hash>] the words of a block that cannot stand there
      def plain(block)
        words = block.walk.filter_map { |node| Escapes.restore(node.string_content).strip if %i[text code code_block html].include?(node.type) }
        words.empty? ? [] : [ { "type" => "text", "text" => words.join(" ") } ]
      end

      def tree(markdown)
        CommonMarker.render_doc(markdown, %i[UNSAFE STRIKETHROUGH_DOUBLE_TILDE FOOTNOTES], %i[strikethrough table])
      end
      private_class_method :tree

      def found(root)
        root.each.select { |node| node.type == :footnote_definition }
      end
      private_class_method :found
    end
  end
end
