module Zuhause
  module Links
    # Where doors and threads of a drawn map stand: doors in columns, each with its label beside it in a row of its own, so that no two
    # labels cross whatever they say; threads between doors. The same input gives the same drawing.
    class Drawing
      # +x+ and +y+: the middle of the door; the label stands to the right of it, +width+ and +height+ are its box's. +more+: how many
      # pages stand for one door, if it is of several.
      Door = Struct.new(:id, :label, :room, :column, :row, :x, :y, :more, keyword_init: true) do
        # @return [Array<Integer>] left, top, right and bottom of the label's box
        def box
          [ x + LABEL_FROM, y - (LABEL_HEIGHT / 2), x + LABEL_FROM + LABEL_WIDTH, y + (LABEL_HEIGHT / 2) ]
        end

        # @return [Integer] where its label ends, more or less
        def upto
          x + LABEL_FROM + (label ? [ (label.length * LETTER) + 8, LABEL_WIDTH ].min : LABEL_WIDTH)
        end
      end
      # +path+: of an SVG path element.
      Strand = Struct.new(:from, :to, :kinds, :path, keyword_init: true)

      COLUMN, ROW, MARGIN, LETTER = 270, 36, 48, 8
      LABEL_FROM, LABEL_WIDTH, LABEL_HEIGHT = 18, 190, 26

      attr_reader :doors, :strands, :width, :height

      # @param columns [Array<Array<Door>>] from left to right, each from top to bottom; places are filled in
      # @param edges [Enumerable<Array(Object, Object, Symbol)>] between ids of doors, each with its kind
      def initialize(columns, edges)
        rows = columns.map(&:size).max.to_i
        @width, @height = (columns.size * COLUMN) + MARGIN, (rows * ROW) + (2 * MARGIN)
        @doors = columns.flat_map.with_index { |column, i| placed(column, i, rows) }
        @strands = strands_of(edges)
      end

      private

      # Shorter columns stand in the middle.
      def placed(column, i, rows)
        top = MARGIN + (((rows - column.size) * ROW) / 2) + (ROW / 2)
        column.each_with_index.map { |door, row| door.dup.tap { |made| made.column, made.row, made.x, made.y = i, row, MARGIN + (i * COLUMN), top + (row * ROW) } }
      end

      def strands_of(edges)
        by_id = doors.to_h { |door| [ door.id, door ] }
        pairs = edges.select { |from, to, _kind| from != to && by_id[from] && by_id[to] }.group_by { |from, to, _kind| [ from, to ] }
        pairs.map { |(from, to), all| Strand.new(from: from, to: to, kinds: all.map(&:last).uniq.sort, path: path(by_id[from], by_id[to])) }
      end

      # From the end of a label to the next door, in a bow; within one column to the left of it.
      def path(one, other)
        return "M#{one.x - 10} #{one.y}C#{one.x - 40} #{one.y} #{other.x - 40} #{other.y} #{other.x - 10} #{other.y}" if one.x == other.x

        from, to = one.x < other.x ? [ one.upto, other.x - 10 ] : [ one.x - 10, other.upto ]
        bend = (to - from) / 2
        "M#{from} #{one.y}C#{from + bend} #{one.y} #{to - bend} #{other.y} #{to} #{other.y}"
      end
    end
  end
end
