module Zuhause
  module Access
    # Who meets whose name: members everybody's; guests their own and those of people who act on what they may read; whoever
    # is not signed in nobody's.
    module Acquaintance
      module_function

      # @param viewer [Viewer] who would meet the name
      # @param person [Object] the id of the person it belongs to
      # @param acting [#call] answers whether that person writes or keeps something that the viewer may read; asked only
      #   where it matters
      # @return [Boolean]
      def meets?(viewer, person, acting:)
        return true if viewer.active_member?
        return false if viewer.suspended? || viewer.role != :guest

        viewer.id == person || acting.call(person)
      end
    end
  end
end
