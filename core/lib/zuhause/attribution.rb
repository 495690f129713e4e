require "zuhause/attribution/runs"
require "zuhause/attribution/blocks"
require "zuhause/attribution/carrying"

module Zuhause
  # Who wrote which words of a text, carried along with each change: by block as long as its id stays, by what the words have in
  # common within it (Changes::Sequence), and where stretches of words have gone from one place and come in another, by those: so
  # that what is moved, parted or joined stays whose it was (as in Flöck and Acosta, "WikiWho", 2014, over words and blocks).
  module Attribution
    MOVED = 3 # words running that are known again elsewhere; fewer only as the whole of a block

    module_function

    # @param old [Hash] a document
    # @param runs [Hash{String=>Array<Array(Integer, Object)>}] by block id, how many words running have which source
    # @param new [Hash] the document that came of it
    # @param source [Object] of words that are new
    # @param besides [Array<Array(Hash, Hash)>] further documents, with their runs, from which words may have come
    # @return [Carrying] with the runs of the new document, and how many words came and went
    def carry(old, runs, new, source:, besides: [])
      Carrying.new(old, runs, new, source, besides)
    end

    # @param document [Hash]
    # @return [Hash] all of it from one source
    def whole(document, source:)
      blocks = Blocks.new(document)
      blocks.ids.to_h { |id| [ id, [ [ blocks.words(id).size, source ] ].reject { |count, _source| count.zero? } ] }
    end

    # @param runs [Hash] of a document
    # @return [Integer] its words
    def words(runs)
      runs.each_value.sum { |each| each.sum(&:first) }
    end

    # @param runs [Hash] as {.carry} gives them
    # @yield [Object] a source
    # @return [Hash] the same, each source as the block gives it
    def map(runs)
      runs.transform_values { |each| Runs.joined(each.map { |count, source| [ count, yield(source) ] }) }
    end
  end
end
