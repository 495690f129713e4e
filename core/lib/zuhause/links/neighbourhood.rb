module Zuhause
  module Links
    # The map of what a page links to and is linked from: what leads to it stands to the left, what it leads to to the right, a column
    # for each step. What is too much is gathered by room, the farthest first.
    class Neighbourhood
      Page = Struct.new(:id, :title, :room) do
        # @return [String] by which it is sorted
        def name
          @name ||= title.downcase
        end
      end

      MOST = 150 # doors
      STEPS = (1..3)

      # @param centre [Object] the id of a page
      # @param pages [Array<Page>]
      # @param edges [Array<Array(Object, Object, Symbol)>] from a page to another, each with its kind
      # @param steps [Integer] of {STEPS}
      def initialize(centre, pages, edges, steps:)
        @centre, @pages, @edges, @steps = centre, pages.to_h { |page| [ page.id, page ] }, edges, steps.clamp(STEPS.begin, STEPS.end)
        @order = Hash.new { |known, id| known[id] = "#{self.steps[id].abs} #{@pages[id].name}\n#{id}" }
      end

      # @return [Hash{Object=>Integer}] of each page that is met, how many steps away: below zero if it leads to the centre
      def steps
        @steps_to ||= begin
          known = @edges.select { |from, to, _kind| @pages.key?(from) && @pages.key?(to) }
          onward, back = walk(known, 0, 1), walk(known, 1, 0)
          (onward.keys | back.keys).to_h do |id|
            there, here = onward[id], back[id]
            [ id, there && (here.nil? || there <= here) ? there : -here ]
          end
        end
      end

      # @return [Drawing]
      def drawing
        @drawing ||= Drawing.new(columns, edges_between_doors)
      end

      # @return [Hash{Object=>Object}] the door behind which each page stands
      def door_of
        @door_of ||= doors.flat_map { |door, ids| ids.map { |id| [ id, door.id ] } }.to_h
      end

      private

      def walk(known, from, to)
        ways = known.group_by { |edge| edge[from] }
        found, last = { @centre => 0 }, [ @centre ]
        (1..@steps).each do |step|
          last = last.flat_map { |id| ways.fetch(id, []).map { |edge| edge[to] } }.uniq.reject { |id| found.key?(id) }
          last.each { |id| found[id] = step }
        end
        found
      end

      # @return [Array<Array(Drawing::Door, Array<Object>)>] doors with the pages behind them
      def doors
        @doors ||= begin
          groups = steps.keys.sort_by(&@order).map { |id| [ id ] }
          (1..@steps).to_a.reverse.flat_map { |step| [ step, -step ] }.each { |step| groups = gathered(groups, step) if groups.size > MOST }
          groups.first(MOST).map { |ids| [ door(ids), ids ] }
        end
      end

      # Pages of one column and room behind one door.
      def gathered(groups, step)
        there, others = groups.partition { |ids| ids.one? && steps[ids.first] == step }
        others + there.flatten.group_by { |id| @pages[id].room }.values
      end

      def door(ids)
        return Drawing::Door.new(id: ids.first, label: @pages[ids.first].title, room: @pages[ids.first].room) if ids.one?

        room = @pages[ids.first].room
        Drawing::Door.new(id: [ :gathered, steps[ids.first], room ], room: room, more: ids.size)
      end

      # Each column in the order of what it hangs from, which spares the threads most crossings (Sugiyama, Tagawa and Toda, "Methods
      # for visual understanding of hierarchical system structures", 1981).
      def columns
        by_step = doors.group_by { |_door, ids| steps[ids.first] }
        rows = { door_of[@centre] => 0.0 }
        steps_out = by_step.keys.sort_by { |step| [ step.abs, step ] }
        ordered = steps_out.to_h do |step|
          column = by_step[step].sort_by { |door, ids| [ hanging(ids, rows), door.more ? 1 : 0, @order[ids.first] ] }.map(&:first)
          column.each_with_index { |door, i| rows[door.id] = i - ((column.size - 1) / 2.0) }
          [ step, column ]
        end
        ordered.sort.map(&:last)
      end

      # @return [Float] the middle of the rows of those doors nearer to the centre that it is tied to
      def hanging(ids, rows)
        tied = ids.flat_map { |id| neighbours.fetch(id, []).to_a }.filter_map { |id| rows[door_of[id]] if door_of[id] }
        tied.empty? ? 0.0 : tied.sum / tied.size
      end

      def neighbours
        @neighbours ||= @edges.each_with_object(Hash.new { |met, id| met[id] = Set.new }) { |(from, to, _kind), met| met[from] << to and met[to] << from }
      end

      def edges_between_doors
        @edges.filter_map { |from, to, kind| [ door_of[from], door_of[to], kind ] if door_of[from] && door_of[to] }.uniq
      end
    end
  end
end
