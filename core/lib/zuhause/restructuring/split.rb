module Zuhause
  module Restructuring
    # What stands under a heading, made a text of its own.
    class Split
      def initialize(document, heading, random:)
        @blocks, @heading, @random = document["content"], heading, random
      end

      # @return [Parted]
      def parted
        at = @blocks.index { |block| block["type"] == "heading" && block.dig("attrs", "id") == @heading } or raise Impossible, "no such heading"
        title = Document::Title.clean(Document::Text.of(@blocks[at]))
        raise Impossible, "no title" if Document::Title.problem(title)

        finish = Restructuring.end_of_section(@blocks, at)
        section = Restructuring.shift(@blocks[at + 1...finish], -Restructuring.level_of(@blocks[at]))
        Parted.new(title: title, document: accept(section), ids: ids(@blocks[at...finish]), before: @blocks[0...at], after: @blocks[finish..])
      end

      private

      def accept(blocks)
        Document.accept({ "type" => "doc", "content" => blocks.empty? ? [ { "type" => "paragraph" } ] : blocks }, random: @random).doc
      end

      def ids(blocks)
        Document::Walk.blocks({ "type" => "doc", "content" => blocks }).map { |node| node.dig("attrs", "id") }
      end
    end
  end
end
