require "zuhause/restructuring/join"
require "zuhause/restructuring/split"

module Zuhause
  # Two pages made one, and a part of one made a page of its own: what becomes of the texts, and of what led to their blocks.
  module Restructuring
    # +document+ in normal form; +ids+, for each block of the joined text the id of the block that it is now.
    Joined = Struct.new(:document, :ids, keyword_init: true)
    # +title+ and +document+ of the new page, and +ids+ of all blocks that led there; {#left} is what stays.
    Parted = Struct.new(:title, :document, :ids, :before, :after, keyword_init: true) do
      # @param instead [Hash] a block that stands where the section stood
      # @return [Hash] the text that it was taken from
      def left(instead, random: Random)
        Document.accept({ "type" => "doc", "content" => [ *before, instead, *after ] }, random: random).doc
      end
    end

    # There is no such heading, or nothing would be left.
    class Impossible < StandardError; end

    PLACES = %i[after before].freeze

    module_function

    # @param into [Hash] a document in normal form
    # @param from [Hash] the one that comes into it
    # @param title [String] of the page that it comes from: a heading over it, unless it begins with that
    # @param place [Symbol, String] :after or :before all else, or the id of a heading under which it is to stand
    # @param once [Boolean] whether blocks that both have stand once
    # @return [Joined]
    # @raise [Impossible] for a heading that is not there
    # @raise [Document::Invalid] if both are too much for one page
    def join(into, from, title:, place: :after, once: true, random: Random)
      Join.new(into, from, title: title, place: place, once: once, random: random).joined
    end

    # @param document [Hash]
    # @param heading [String] the id of a heading at the top of the text
    # @return [Parted] what stands under it, down to the next heading of its level; its headings rise accordingly
    # @raise [Impossible]
    def split(document, heading, random: Random)
      Split.new(document, heading, random: random).parted
    end

    # Where the section of a heading ends, among the blocks at the top of a text.
    #
    # @param blocks [Array<Hash>]
    # @param at [Integer] the place of the heading
    # @return [Integer] the place behind it
    def end_of_section(blocks, at)
      level = level_of(blocks[at])
      (at + 1...blocks.size).find { |i| blocks[i]["type"] == "heading" && level_of(blocks[i]) <= level } || blocks.size
    end

    # @return [Integer, nil]
    def level_of(block)
      (block.dig("attrs", "level") || 1) if block["type"] == "heading"
    end

    # @param blocks [Array<Hash>]
    # @param by [Integer] how many levels headings among them go down; up, if it is negative
    # @return [Array<Hash>]
    def shift(blocks, by)
      blocks.map do |block|
        level = level_of(block) or next block

        block.merge("attrs" => block["attrs"].merge("level" => (level + by).clamp(Document::Schema::HEADING_LEVELS)))
      end
    end
  end
end
