module Zuhause
  module Markup
    # A small drawing of a document: what stands where, as bars and boxes. It shows how a page is built, not what it says.
    class Sketch
      WIDTH = 120
      HEIGHT = 150
      MARGIN = 10
      LINE = 4    # from one line of text to the next
      LETTERS = 75 # of a line of text
      MOST_LINES = 4 # of one paragraph

      # @param doc [Hash] a document
      # @return [String] an SVG element's inside, for a viewBox of {WIDTH} × {HEIGHT}; its shapes bear the classes
      #   "sketch-head", "sketch-text", "sketch-box", "sketch-line" and "sketch-blank"
      def self.draw(doc)
        new.draw(doc)
      end

      def draw(doc)
        @shapes = []
        @y = MARGIN
        stack = (doc["content"] || []).map { |node| [ node, 0 ] }
        while @y < HEIGHT - MARGIN && (node, indent = stack.shift)
          below = Document::Schema::NODES.fetch(node["type"]).sketch(node, self, MARGIN + indent, WIDTH - (2 * MARGIN) - indent)
          stack.unshift(*below.map { |child| [ child, indent + 6 ] })
        end
        @shapes.join
      end

      # What follows is for the types of nodes ({Document::Node#sketch}): each draws at the present height and goes on below
      # it, and gives no blocks that are still to be drawn.

      def lines(node, x, width)
        text = letters(node)
        kind = (node["content"] || []).any? { |inline| inline["marks"]&.any? { |mark| mark["type"] == "blank" } } ? "blank" : "text"
        count = (text / LETTERS.to_f).ceil.clamp(1, MOST_LINES)
        count.times { |i| bar(x, i == count - 1 ? [ width * (text % LETTERS) / LETTERS, width * 0.2 ].max : width, 1.8, kind, LINE) }
        go_on(2)
      end

      def framed(node, x, width)
        height = [ 8 + (LINE * (letters(node) / LETTERS)), 26 ].min
        box(x, width, height)
        @shapes << rect(x + 4, @y + 3, width * 0.3, 1.8, "head") << rect(x + 4, @y + 3 + LINE, width * 0.7, 1.6, "text") if height > 9
        go_on(height + 4)
      end

      def grid(rows, columns, x, width)
        rows.times { |row| columns.times { |column| @shapes << rect(x + (column * width / columns), @y + (row * 6), width / columns, 6, "box") } }
        go_on((rows * 6) + 4)
      end

      def picture(x, width)
        box(x, width, 22)
        go_on(26)
      end

      def short_lines(x, width)
        3.times { bar(x, width * 0.5, 1.6, "line", LINE) }
        []
      end

      def letters(node)
        Document::Text.of(node).length
      end

      def dot(x)
        @shapes << %(<circle class="sketch-text" cx="#{x + 1.5}" cy="#{@y + 1}" r="1.2"/>)
      end

      def box(x, width, height)
        @shapes << rect(x, @y, width, height, "box")
      end

      def bar(x, width, height, kind, step)
        @shapes << rect(x, @y, [ width, WIDTH - MARGIN - x ].min, height, kind) if @y < HEIGHT - MARGIN
        go_on(step)
      end

      private

      def go_on(step)
        @y += step
        []
      end

      # What would stand below the frame is left out.
      def rect(x, y, width, height, kind)
        return "" if y > HEIGHT - 3

        height = [ height, HEIGHT - y - 2 ].min
        format(%(<rect class="sketch-%s" x="%.1f" y="%.1f" width="%.1f" height="%.1f" rx="0.8"/>), kind, x, y, width, [ height, 0.5 ].max)
      end
    end
  end
end
