module Zuhause
  module Document
    # The places of a table's cells, spans taken into account (the algorithm of HTML 5, 4.9.12, for growing downwards).
    module Table
      # A cell and where its upper left corner stands, from 0.
      Place = Struct.new(:cell, :row, :column)

      module_function

      # @param rows [Array<Hash>] row nodes
      # @return [Array<Place>] in reading order
      def places(rows)
        taken = Set.new
        rows.each_with_index.flat_map do |row, y|
          x = 0
          row["content"].map do |cell|
            x += 1 while taken.include?([ y, x ])
            place = Place.new(cell, y, x)
            cover(place) { |at| taken << at }
            place
          end
        end
      end

      # @param rows [Array<Hash>]
      # @return [Integer] columns
      def width(rows)
        places(rows).map { |place| place.column + span(place.cell, "colspan") }.max || 0
      end

      # @param rows [Array<Hash>] row nodes, perhaps of unequal width
      # @return [Array<Hash>] the same, short rows filled with empty cells and spans cut off at the last row
      def filled(rows)
        rows = rows.each_with_index.map { |row, y| row.merge("content" => row["content"].map { |cell| cut(cell, rows.size - y) }) }
        width = width(rows)
        covered = places(rows).each_with_object(Hash.new { |hash, y| hash[y] = Set.new }) { |place, found| cover(place) { |y, x| found[y] << x } }
        rows.each_with_index.map do |row, y|
          missing = width - covered[y].size
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

      def cover(place)
        span(place.cell, "rowspan").times { |dy| span(place.cell, "colspan").times { |dx| yield [ place.row + dy, place.column + dx ] } }
      end
      private_class_method :cover

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
