module Zuhause
  module Links
    # The map of a room: clusters of pages that hang together by links, bridges to other rooms, and islands that no link ties to
    # anything.
    class RoomMap
      MOST = 150 # doors
      TALL = 14 # doors of a column

      # @param pages [Array<Neighbourhood::Page>] of the room
      # @param edges [Array<Array(Object, Object, Symbol)>] among them
      # @param outside [Hash{Object=>Integer}] of pages that are tied to pages of other rooms, to how many
      def initialize(pages, edges, outside: {})
        @pages, @outside = pages.to_h { |page| [ page.id, page ] }, outside
        @edges = edges.select { |from, to, _kind| from != to && @pages.key?(from) && @pages.key?(to) }
      end

      # @return [Array<Array<Object>>] pages that hang together, the largest first; each from its best tied page outwards
      def clusters
        @clusters ||= components.select { |ids| ids.size > 1 }
      end

      # @return [Array<Object>] pages that lead to, or are led to from, other rooms, the best tied first
      def bridges
        @outside.select { |id, count| count.positive? && @pages.key?(id) }.keys.sort_by { |id| [ -@outside[id], *order(id) ] }
      end

      # @return [Array<Object>] pages that no link ties to anything
      def islands
        components.select(&:one?).flatten.reject { |id| @outside[id].to_i.positive? }.sort_by { |id| order(id) }
      end

      # @return [Drawing] of clusters, each in columns of its own, then bridges of no cluster
      def drawing
        @drawing ||= begin
          alone = bridges - clusters.flatten
          groups = (alone.any? ? [ *clusters, alone ] : clusters)
          left = MOST
          columns = groups.flat_map { |ids| ids.first(left).tap { |some| left -= some.size }.each_slice(TALL).to_a }.reject(&:empty?)
          Drawing.new(columns.map { |ids| ids.map { |id| door(id) } }, @edges)
        end
      end

      private

      def order(id)
        [ @pages[id].title.downcase, id.to_s ]
      end

      def door(id)
        Drawing::Door.new(id: id, label: @pages[id].title, room: @pages[id].room)
      end

      def ways
        @ways ||= @edges.flat_map { |from, to, _kind| [ [ from, to ], [ to, from ] ] }.uniq.group_by(&:first).transform_values { |pairs| pairs.map(&:last).sort_by { |id| order(id) } }
      end

      def components
        @components ||= begin
          left = @pages.keys.sort_by { |id| [ -ways.fetch(id, []).size, *order(id) ] }
          found = []
          found << walk(left.first).tap { |ids| left -= ids } while left.any?
          found.sort_by.with_index { |ids, i| [ -ids.size, i ] }
        end
      end

      def walk(first)
        seen, queue = [ first ].to_set, [ first ]
        while (id = queue.shift)
          ways.fetch(id, []).each { |other| queue << other if seen.add?(other) }
        end
        seen.to_a
      end
    end
  end
end
