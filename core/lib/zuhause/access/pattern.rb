module Zuhause
  module Access
    # What a room made for a team grants from the start: something to everyone here, something to the team, all to whoever keeps
    # it; and pages to begin with, some of them shut, for the team alone.
    class Pattern
      # A page to begin with; +shut+: with a list of its own, for the team and the keeper alone.
      Part = Struct.new(:title, :shut)

      TEAM_WORD = "{team}".freeze
      LEVELS_OF_EVERYONE = %i[none read comment write].freeze
      LEVELS_OF_TEAM = %i[read comment write keep].freeze
      MOST_PARTS = 20

      # @param everyone [Symbol] of {LEVELS_OF_EVERYONE}
      # @param team [Symbol] of {LEVELS_OF_TEAM}
      # @raise [ArgumentError] for any other level
      def initialize(everyone:, team:)
        raise ArgumentError, "a level of everyone: #{everyone}" unless LEVELS_OF_EVERYONE.include?(everyone)
        raise ArgumentError, "a level of the team: #{team}" unless LEVELS_OF_TEAM.include?(team)

        @everyone, @team = everyone, team
      end

      # @param team [Holder] a group
      # @param keeper [Holder] a person
      # @return [Array<Grant>] of the room
      def of_room(team:, keeper:)
        [ *of_shut(team: team, keeper: keeper), *([ Grant.new(Holder.everyone, @everyone) ] unless @everyone == :none) ]
      end

      # @return [Array<Grant>] of a page that is shut to all but the team
      def of_shut(team:, keeper:)
        [ Grant.new(keeper, :keep), Grant.new(team, @team) ]
      end

      # @param title [String] of a part, as the pattern has it
      # @param name [String] of the team
      # @return [String] with the team's name where the pattern says so
      def self.title(title, name)
        title.gsub(TEAM_WORD) { name }
      end
    end
  end
end
