module Zuhause
  module Access
    # A room or page as access sees it: its own grants, whether it takes none from above, and what it stands in.
    class Place
      attr_reader :id, :grants, :above

      # @param id [Object] whatever tells it apart
      # @param grants [Enumerable<Grant>]
      # @param above [Place, nil] the page above or the room; nil for a room
      # @param archived [Boolean] told of rooms: closed to writing, with all that stands in it
      def initialize(id, grants: [], own_list: false, above: nil, archived: false)
        @id = id
        @grants = grants.to_a
        @own_list = own_list
        @above = above
        @archived = archived
      end

      def archived?
        @archived || (above&.archived? || false)
      end

      # A room takes nothing from above, having nothing there.
      def own_list?
        @own_list || above.nil?
      end

      # @return [Array<Place>] itself and every place above it, nearest first
      def chain
        above ? [ self, *above.chain ] : [ self ]
      end

      # @return [Array<Place>] the places whose grants count here, nearest first: up to the first own list
      def reach
        places = chain
        places.first(places.index(&:own_list?) + 1)
      end
    end
  end
end
