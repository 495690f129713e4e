module Zuhause
  module Attribution
    # Words one after another, each with its source, told as runs: how many words have the same.
    module Runs
      module_function

      # @param runs [Array<Array(Integer, Object)>]
      # @return [Array<Array(Integer, Object)>] neighbours of one source made one
      def joined(runs)
        runs.each_with_object([]) do |(count, source), kept|
          kept.any? && kept.last[1] == source ? kept.last[0] += count : kept << [ count, source ]
        end
      end

      # @param sources [Array<Object>] of each word
      # @return [Array<Array(Integer, Object)>]
      def of(sources)
        sources.chunk_while { |one, other| one == other }.map { |same| [ same.size, same.first ] }
      end

      # @return [Array<Object>] of each word
      def sources(runs)
        runs.flat_map { |count, source| Array.new(count, source) }
      end
    end
  end
end
