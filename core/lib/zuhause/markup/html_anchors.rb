require "digest"

module Zuhause
  module Markup
    # Places in an HTML text that links can lead to (HTML 5, 7.4.6.4: ids, and names of "a"): each belongs to the block that the
    # element becomes, or to the first one in it, or after it. Read again, the same place is the same block. For {HTMLReader}.
    module HTMLAnchors
      # @return [Hash{String=>Hash}] names, and what is left of the attributes of the blocks that have them
      attr_reader :anchors

      # What is read now, and all around it that was not met before.
      def met(element)
        around = []
        while element&.element? && @met.add?(element)
          around << element
          element = element.parent
        end
        around.reverse_each { |each| @waiting.concat([ each["id"], (each["name"] if each.name == "a") ].compact.uniq.reject(&:empty?)) }
      end

      # Names that were met and belong to nothing yet belong to the first of these.
      #
      # @param blocks [Array<Hash>]
      # @param before [Array<String>] names that were met before
      # @param count [Integer] of those that are waiting
      # @return [Array<Hash>]
      def anchored(blocks, before = [], count = @waiting.size)
        names = before + @waiting.slice!(0, count)
        return blocks.tap { @waiting.unshift(*names) } if blocks.empty? || names.empty?

        block = blocks.first
        id = block.dig("attrs", "id") || HTMLAnchors.id(names.first)
        names.each { |name| @anchors[name] ||= id }
        [ block.merge("attrs" => { "id" => id }.merge(block["attrs"] || {})), *blocks.drop(1) ]
      end

      # @return [String] the id of a block that bears a name
      def self.id(name)
        Digest::SHA256.digest(name).bytes.first(Document::Ids::LENGTH).map { |byte| Document::Ids::LETTERS[byte % Document::Ids::LETTERS.size] }.join
      end

      private

      # @return [Array<String>] names met before, which are not those of what follows
      def waiting_before
        @waiting.slice!(0..)
      end

      # Names after the last block belong to it; those of blocks that are not there any more belong to nothing.
      #
      # @param doc [Hash] in normal form
      def settle_anchors(doc)
        ids = Document::Walk.blocks(doc).filter_map { |block| block.dig("attrs", "id") }
        @waiting.each { |name| @anchors[name] ||= ids.last if ids.any? }
        @anchors.select! { |_name, id| ids.include?(id) }
      end
    end
  end
end
