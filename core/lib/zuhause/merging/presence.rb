module Zuhause
  module Merging
    # Which blocks the outcome has, and what each stands in.
    class Presence
      # @param base [Tree]
      # @param trees [Array(Tree, Tree)]
      # @param later [Integer]
      def initialize(base, trees, later)
        @base, @trees, @later = base, trees, later
        @changed = {}
      end

      # What one side removed and the other left is gone; what one removed and the other changed stays.
      #
      # @param id [String]
      def include?(id)
        return true if id == Tree::ROOT || @trees.all? { |tree| tree.key?(id) }
        return @trees.any? { |tree| tree.key?(id) } unless @base.key?(id)

        side = @trees.index { |tree| tree.key?(id) }
        side ? changed?(id, side) : false
      end

      # @return [Boolean] whether only one side has it still, having changed it
      def kept?(id)
        @base.key?(id) && @trees.one? { |tree| tree.key?(id) }
      end

      # @return [Boolean] whether the side changed what the block says, or anything that stands in it and stays there
      def changed?(id, side)
        @changed.fetch([ id, side ]) do |key|
          @changed[key] = own_changed?(id, side) || @trees[side].children(id).any? { |child| came?(child, id, side) || (!@trees[1 - side].key?(child) && changed?(child, side)) }
        end
      end

      def own_changed?(id, side)
        !@base.key?(id) || @base.own(id) != @trees[side].own(id)
      end

      # @return [Hash{String=>String}] what each block of the outcome stands in
      def parents
        @parents ||= without_circles(ids.to_h { |id| [ id, parent(id) ] })
      end

      # @return [Array<String>] of all blocks of the outcome
      def ids
        @ids ||= @trees.flat_map { |tree| tree.nodes.keys }.uniq.select { |id| id != Tree::ROOT && include?(id) }
      end

      private

      # Whether the side put it there, and it is the side's word that counts.
      def came?(child, id, side)
        was, there = @base.parents[child], @trees[1 - side].parents[child]
        was != id && (there.nil? || there == was || there == id || side == @later)
      end

      def parent(id)
        was = @base.parents[id]
        is = @trees.map { |tree| tree.parents[id] }
        return up(is.compact.first, @trees[is.index { |each| each }]) unless is.all?
        return up(is[0], @trees[0]) if is[1] == was || is[0] == is[1]
        return up(is[1], @trees[1]) if is[0] == was

        up(is[@later], @trees[@later])
      end

      # What it stood in may be gone: then what that stood in.
      def up(id, tree)
        id = tree.parents.fetch(id) until include?(id)
        id
      end

      # Each moved into what the other moved into it: both stay where they were.
      def without_circles(parents)
        circling = parents.keys.select { |id| circle?(id, parents) }
        return parents if circling.empty?

        back = circling.to_h { |id| [ id, @base.key?(id) ? up(@base.parents.fetch(id), @base) : Tree::ROOT ] }
        again = parents.merge(back)
        still = circling.select { |id| circle?(id, again) }
        again.merge(still.to_h { |id| [ id, Tree::ROOT ] })
      end

      def circle?(id, parents)
        met = Set.new
        above = id
        above = parents[above] while above != Tree::ROOT && met.add?(above)
        above != Tree::ROOT && above == id
      end
    end
  end
end
