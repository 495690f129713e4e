module Zuhause
  module Access
    # Why somebody has the level they have. +grant+ and +place+ are nil where the level is none.
    Judgement = Struct.new(:level, :grant, :place, :missed, keyword_init: true) do
      # @return [Object, nil] the id of the group it comes through
      def group
        grant.holder.id if grant&.holder&.kind == :group
      end
    end

    # A grant that names somebody and would have given more: the level it would have given, and what stood in the
    # way (:own_list, :holder_cap, :person_cap, :guests_off, :public_off or :suspended).
    Missed = Struct.new(:grant, :place, :level, :reason, keyword_init: true)

    module_function

    # @param viewer [Viewer]
    # @param place [Place]
    # @param switches [Switches]
    # @return [Judgement] the level, the grant that wins (the nearest, then the most personal among equals), and the
    #   grants that would have given more, highest first
    def judge(viewer, place, switches)
      reach = place.reach
      best = nil
      named(viewer, reach, switches).each do |found|
        best = found if found[:level] != :none && (best.nil? || Level.rank(found[:level]) > Level.rank(best[:level]))
      end
      level = best ? best[:level] : :none
      Judgement.new(level: level, grant: best&.fetch(:grant), place: best&.fetch(:place),
                    missed: missed(viewer, place.chain, reach, switches, level))
    end

    # @return [Symbol] the level alone
    def level(viewer, place, switches)
      List.of(place).level(viewer, switches)
    end

    def named(viewer, places, switches)
      places.flat_map do |place|
        place.grants.sort_by { |grant| grant.holder.rank }.filter_map do |grant|
          level, reason = viewer.effect(grant, switches)
          { grant: grant, place: place, level: level, reason: reason } if level
        end
      end
    end
    private_class_method :named

    def missed(viewer, chain, reach, switches, level)
      found = named(viewer, reach, switches).select { |f| f[:reason] }.map { |f| [ f, f[:grant].level, f[:reason] ] }
      found += named(viewer, chain - reach, switches).map { |f| [ f, f[:level], :own_list ] }
      found.select { |_f, would_be, _reason| Level.rank(would_be) > Level.rank(level) }
           .sort_by.with_index { |(_f, would_be, _reason), i| [ -Level.rank(would_be), i ] }
           .map { |f, would_be, reason| Missed.new(grant: f[:grant], place: f[:place], level: would_be, reason: reason) }
    end
    private_class_method :missed
  end
end
