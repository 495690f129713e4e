module Zuhause
  module Exchange
    # Names by which links lead to headings where no other is given: its words, in small letters, hyphens between them; the second one of
    # the same words is numbered.
    module HeadingNames
      module_function

      # @param words [String] of a heading
      # @return [String] its name
      def of_words(words)
        words.downcase.gsub(/[^\p{L}\p{N}\p{M}_ -]/, "").strip.tr(" ", "-")
      end

      # A heading may end with the name that it is led to by: "Limits {#limits}".
      STATED = /\s*\{:?\s*#([\w.:-]+)[^{}]*\}\s*\z/

      # @param doc [Hash] in normal form, every block with an id
      # @return [Array(Hash, Hash{String=>String})] the document without what names headings so, and ids of blocks by these names
      def stated(doc)
        names = {}
        doc = Document::Walk.rebuild(doc) do |node|
          last = node["content"]&.last
          next node unless node["type"] == "heading" && last && last["marks"].nil? && (match = STATED.match(last["text"].to_s))

          names[match[1]] ||= node.dig("attrs", "id")
          node.merge("content" => [ *node["content"][0...-1], (last.merge("text" => match.pre_match) unless match.pre_match.empty?) ].compact)
        end
        [ doc, names ]
      end

      # @param doc [Hash] in normal form, every block with an id
      # @return [Hash{String=>String}] ids of blocks by names
      def of(doc)
        taken = Hash.new(0)
        Document::Walk.blocks(doc).select { |block| block["type"] == "heading" }.each_with_object({}) do |heading, names|
          name = of_words(Document::Text.of(heading))
          next if name.empty?

          names[taken[name].zero? ? name : "#{name}-#{taken[name]}"] = heading.dig("attrs", "id")
          taken[name] += 1
        end
      end
    end
  end
end
