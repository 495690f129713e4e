module Zuhause
  module Exchange
    # Names by which links lead to headings where no other is given: its words, in small letters, hyphens between them; the second one of
    # the same words is numbered.
    module HeadingNames
      module_function

      # @param doc [Hash] in normal form, every block with an id
      # @return [Hash{String=>String}] ids of blocks by names
      def of(doc)
        taken = Hash.new(0)
        Document::Walk.blocks(doc).select { |block| block["type"] == "heading" }.each_with_object({}) do |heading, names|
          name = Document::Text.of(heading).downcase.gsub(/[^\p{L}\p{N}\p{M}_ -]/, "").strip.tr(" ", "-")
          next if name.empty?

          names[taken[name].zero? ? name : "#{name}-#{taken[name]}"] = heading.dig("attrs", "id")
          taken[name] += 1
        end
      end
    end
  end
end
