module Zuhause
  module Document
    # The places of a table's cells, spans taken into account (the algorithm of HTML 5, 4.9.12, for growing downwards).
    module Table
      # A cell and where its upper left corner stands, from 0.
      Place = Struct.new(:cell, :row, :column)

      module_function

      # @param rows [Array<Hash>] row nodes
      # @return [Array<Place>] in reading order
      # @raise [Invalid] for more places than a table can have
      def places(rows)
        free = [] # by column: the first row in which nothing from above stands there
        covered = 0
        rows.each_with_index.flat_map do |row, y|
          x = 0
          row["content"].map do |cell|
            x += 1 while free.fetch(x, 0) > y
            width, height = span(cell, "colspan"), span(cell, "rowspan")
            width.times { |dx| free[x + dx] = [ free[x + dx] || 0, y + height ].max }
            Limits.hold(:cells, [ covered += width * height, free.size * rows.size ].max)
            Place.new(cell, y, x).tap { x += width }
          end
        end
      end

      # @param rows [Array<Hash>]
      # @return [Integer] columns
      # @raise [Invalid]
      def width(rows)
        places(rows).map { |place| place.column + span(place.cell, "colspan") }.max || 0
      end

      # @param rows [Array<Hash>] row nodes, perhaps of unequal width
      # @return [Array<Hash>] the same, short rows filled with empty cells and spans cut off at the last row
      # @raise [Invalid]
      def filled(rows)
        rows = rows.each_with_index.map { |row, y| row.merge("content" => row["content"].map { |cell| cut(cell, rows.size - y) }) }
        places = places(rows)
        width = places.map { |place| place.column + span(place.cell, "colspan") }.max || 0
        taken = taken(places, rows.size, width)
        rows.each_with_index.map do |row, y|
          missing = width - taken[y].count(true)
          missing.positive? ? row.merge("content" => row["content"] + Array.new(missing) { empty_cell }) : row
        end
      end

      # @return [Integer]
      def span(cell, name)
        cell.dig("attrs", name) || 1
      end

      def empty_cell
        { "type" => "cell", "content" => [ { "type" => "paragraph" } ] }
      end

      # @return [Array<Array<Boolean, nil>>] by row and column, whether a cell stands there
      def taken(places, height, width)
        Array.new(height) { Array.new(width) }.tap do |taken|
          places.each { |place| span(place.cell, "rowspan").times { |dy| taken[place.row + dy].fill(true, place.column, span(place.cell, "colspan")) } }
        end
      end
      private_class_method :taken

      def cut(cell, most)
        return cell if span(cell, "rowspan") <= most

        attrs = cell["attrs"].merge("rowspan" => most)
        attrs.delete("rowspan") if most == 1
        attrs.empty? ? cell.except("attrs") : cell.merge("attrs" => attrs)
      end
      private_class_method :cut
    end
  end
end
