module Zuhause
  module Merging
    # Tables, by rows and columns. A column is known by the cells that most of it is made of; cells meet where a row of one side
    # meets a column of the other. A table whose cells span several keeps its rows and columns as one side has them.
    class Grid
      # @param joined [Joined]
      # @param id [String] of a table that both sides have
      def initialize(joined, id)
        @joined, @id = joined, id
        @trees = [ joined.base, *joined.trees ]
        @rows = @trees.map { |tree| tree.children(id) }
      end

      # @return [Array<Hash>] rows
      def rows
        return spanned if @trees.any? { |tree| spans?(tree) }

        columns = merged_columns
        merged_rows.map { |row| row_of(row, columns) }.reject { |row| row["content"].empty? }
      end

      private

      def spans?(tree)
        tree.children(@id).any? { |row| tree.children(row).any? { |cell| %w[colspan rowspan].any? { |name| (tree[cell].dig("attrs", name) || 1) > 1 } } }
      end

      # Rows and columns as one side has them, if the other left them; else of the later, which holds what the other put in as well.
      def spanned
        forms = @trees.map { |tree| tree.children(@id).map { |row| [ row, tree.children(row).map { |cell| [ cell, tree[cell]["attrs"]&.slice("colspan", "rowspan") ] } ] } }
        side = if forms[2] == forms[0] then 0
        elsif forms[1] == forms[0] then 1
        else @joined.later
        end
        @joined.trees[side].children(@id).map do |row|
          cells = @joined.trees[side].children(row).map { |cell| @joined.build(cell, all: true) }
          @joined.with_own(row, cells)
        end
      end

      def merged_rows
        present = @rows.flatten.to_set.select { |row| @joined.stands?(row, @id) }.to_set
        Order.new(present, @rows[0], @rows.drop(1), later: @joined.later) { |row| @joined.new_key(row) }.merged
      end

      def merged_columns
        @columns = base_columns, *@trees.drop(1).map { |tree| named_columns(tree) }
        present = @columns.flatten.to_set.select { |name| stays?(name) }.to_set
        Order.new(present, @columns[0], @columns.drop(1), later: @joined.later).merged
      end

      def base_columns
        @place = {}
        @trees[0].children(@id).each { |row| @trees[0].children(row).each_with_index { |cell, i| @place[cell] = i } }
        Array.new(width(@trees[0])) { |i| i }
      end

      def width(tree)
        tree.children(@id).map { |row| tree.children(row).size }.max || 0
      end

      # Columns of the base bear its numbers, others the id of their first cell.
      def named_columns(tree)
        taken = Set.new
        Array.new(width(tree)) do |i|
          cells = tree.children(@id).filter_map { |row| tree.children(row)[i] }
          number, = cells.filter_map { |cell| @place[cell] }.tally.max_by { |place, votes| [ votes, -place ] }
          number && taken.add?(number) ? number : name_of(cells, tree)
        end
      end

      # Of cells that both sides have, if there are any: the other side's column is the same then.
      def name_of(cells, tree)
        others = @trees.drop(1).reject { |each| each.equal?(tree) }
        shared = cells.select { |cell| others.any? { |other| other.key?(cell) } }
        (shared.any? ? shared : cells).min
      end

      def stays?(name)
        return true unless name.is_a?(Integer)

        there = @columns.drop(1).map { |columns| columns.include?(name) }
        return there.any? if there.all? || there.none?

        side = there.index(true)
        cells_of(name).any? { |cell| @trees[side + 1].key?(cell) && @joined.presence.changed?(cell, side) }
      end

      def cells_of(number)
        @trees[0].children(@id).filter_map { |row| @trees[0].children(row)[number] }
      end

      # A cell stands once; what was removed with the rest of its column or row leaves an empty one.
      def row_of(row, columns)
        cells = columns.map do |column|
          ids = @trees.each_index.filter_map { |doc| (i = @columns[doc].index(column)) && @trees[doc].children(row)[i] }.uniq
          ids = ids.select { |id| @joined.presence.include?(id) && used.add?(id) }
          ids.empty? ? empty(row, column) : one_cell(ids)
        end
        @joined.with_own(row, cells)
      end

      def used
        @used ||= Set.new
      end

      # Where there are two for one place, the second's words stand behind the first's.
      def one_cell(ids)
        first, *more = ids.map { |id| @joined.build(id) }
        more.reject { |cell| Document::Text.of(cell).strip.empty? }.reduce(first) { |cell, other| cell.merge("content" => cell["content"] + other["content"]) }
      end

      def empty(row, column)
        { "type" => "cell", "attrs" => { "id" => @joined.derived(row, column.to_s) }, "content" => [ { "type" => "paragraph", "attrs" => { "id" => @joined.derived(row, column.to_s, "text") } } ] }
      end
    end
  end
end
