require "zuhause/anchors/page_text"
require "zuhause/anchors/finding"
require "zuhause/anchors/likeness"
require "zuhause/anchors/annotation"

module Zuhause
  # Finding a stretch of text again after the text has changed (after the text quote and text position selectors of the W3C Web
  # Annotation Data Model, 2017): by its block, by the quoted words with what stood around them, then by likeness. A place is
  # carried from version to version: each is looked for with the words that it had in the version before.
  module Anchors
    CONTEXT = 32 # characters to either side that are remembered

    LONGEST = 2_000 # characters of a quote
    SKETCH = 200 # characters that are remembered of a block which is meant as a whole

    # Where a quote stands: +block+, the id of the textblock that it begins in; +start+ and +length+ in characters of that
    # block's text, nil where the block is meant as a whole; the quote itself, +exact+ (of a whole block what it begins with),
    # and what stands around it in the whole text, +prefix+ and +suffix+. +file+ is the public id of the picture, of a block
    # that shows one.
    Anchor = Struct.new(:block, :start, :length, :exact, :prefix, :suffix, :file, keyword_init: true) do
      def whole?
        start.nil?
      end
    end

    # What became of one: +state+ is :same, :changed (only likeness found it), :gone or :doubtful (several places are as
    # likely; none is taken). +anchor+ is where it stands now, nil for what was not found; +candidates+ where it could stand.
    Found = Struct.new(:state, :anchor, :candidates, keyword_init: true)

    module_function

    # @param document [Hash]
    # @param block [String] a textblock's id
    # @param start [Integer] characters
    # @param length [Integer]
    # @return [Anchor, nil] nil where there is no such stretch
    def at(document, block, start, length)
      PageText.new(document).anchor(block, start, length)
    end

    # The same for a block as a whole: a picture, a table, a cell, a paragraph.
    #
    # @return [Anchor, nil] nil where there is no such block
    def whole(document, block)
      PageText.new(document).whole_block(block)
    end

    # @param anchor [Anchor] as it was in an earlier version
    # @param document [Hash]
    # @return [Found]
    def find(anchor, document)
      find_all([ anchor ], document).first
    end

    # The same for many in one text.
    #
    # @param anchors [Array<Anchor>]
    # @param document [Hash, PageText]
    # @param alike [Boolean] whether likeness counts; it does not for what was lost before
    # @return [Array<Found>]
    def find_all(anchors, document, alike: true)
      text = document.is_a?(PageText) ? document : PageText.new(document)
      budget = Likeness::Budget.new if alike
      anchors.map { |anchor| Finding.new(anchor, text, budget).found }
    end
  end
end
