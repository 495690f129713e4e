module Zuhause
  module Finding
    # The parts of a section's text, of which one is shown as the answer: paragraphs, items of lists, rows of tables, steps.
    module Passages
      # +id+ of the block to which it leads, +kind+, its +text+ on one line.
      Passage = Struct.new(:id, :kind, :text, keyword_init: true)

      WHOLE = %w[row].freeze # told as one, however many cells they have
      BETWEEN = " · ".freeze

      module_function

      # @param document [Hash]
      # @param heading [String, nil] the id of the heading under which the section stands; nil for what stands before the first
      # @return [Array<Passage>]
      def of(document, heading)
        found, here = [], heading.nil?
        walk(document) do |node, kind|
          if node["type"] == "heading" && Document::Text.of(node).strip != ""
            here = node.dig("attrs", "id") == heading
          elsif here
            text = told(node)
            found << Passage.new(id: node.dig("attrs", "id"), kind: kind, text: text) unless text.empty?
          end
        end
        found
      end

      # @param text [String] on lines, of what has no blocks
      # @return [Array<Passage>]
      def of_lines(text)
        text.lines.map(&:strip).reject(&:empty?).map { |line| Passage.new(kind: "paragraph", text: line) }
      end

      # @param passages [Array<Passage>]
      # @param asked [Array<Asked>]
      # @return [Passage, nil] the one that has most of what is asked, closest together; the first, if none has any
      def best(passages, asked)
        passages.each_with_index.max_by { |passage, i| [ worth(passage, asked), -i ] }&.first
      end

      # @return [Float]
      def worth(passage, asked)
        words = Folding.words(passage.text)
        found = asked.map { |one| words.map { |word| one.weight(word) }.max.to_f * one.rarity }
        found.sum / (1 + (words.size / 400.0))
      end

      def walk(node, kind = "paragraph", &block)
        (node["content"] || []).each do |child|
          type = Document::Schema::NODES.fetch(child["type"])
          next if type.group == "inline"

          inner = type.textblock? ? kind : kind_of(child["type"]) || kind
          type.textblock? || WHOLE.include?(child["type"]) ? block.call(child, inner) : walk(child, inner, &block)
        end
      end
      private_class_method :walk

      def kind_of(type)
        { "list_item" => "item", "task" => "item", "definition" => "item", "row" => "row", "notice" => "notice" }[type]
      end
      private_class_method :kind_of

      def told(node)
        parts = WHOLE.include?(node["type"]) ? (node["content"] || []).map { |cell| Document::Text.of(cell) } : [ Document::Text.of(node) ]
        parts.map { |part| part.gsub(/\s+/, " ").strip }.reject(&:empty?).join(BETWEEN)
      end
      private_class_method :told
    end
  end
end
