module Zuhause
  module Markup
    # Tables that GFM can hold: a row of headers and then rows of cells, one line of text in each.
    module GfmTable
      ALIGNMENT = { nil => "---", "center" => ":-:", "right" => "--:" }.freeze

      module_function

      # The parser fills rows up to the width of the first, so that a wide row and many short ones become very many cells.
      #
      # @param markdown [String]
      # @raise [Document::Invalid] if its tables could have more cells than may be
      def judge(markdown)
        before = columns = lines = 0
        markdown.each_line do |line|
          if line.match?(/\A\s*\z/)
            before += columns * lines
            next columns = lines = 0
          end

          lines += 1
          columns = [ columns, line.count("|") + 1 ].max if line.include?("|") && line.include?("-") && line.delete("-|:> \t\n*+.)0-9").empty?
          Document::Limits.hold(:cells, before + (columns * lines))
        end
      end

      # @param node [Hash] a table
      def fits?(node)
        header, *rows = node["content"]
        header["content"].all? { |cell| cell["type"] == "header_cell" } && rows.all? { |row| row["content"].all? { |cell| cell["type"] == "cell" } } &&
          node["content"].all? { |row| row["content"].size == header["content"].size && row["content"].each_with_index.all? { |cell, x| plain?(cell, header["content"][x]) } }
      end

      # @yieldparam inline [Array<Hash>, nil] of one cell
      # @yieldreturn [String] as a line of Markdown
      # @return [Array<String>] lines
      def write(node, &cell)
        header, *rows = node["content"]
        rule = "| #{header["content"].map { |cell| ALIGNMENT.fetch(cell.dig("attrs", "align")) }.join(" | ")} |"
        [ line(header, &cell), rule, *rows.map { |row| line(row, &cell) } ]
      end

      # @param table [CommonMarker::Node]
      # @yieldparam cell [CommonMarker::Node]
      # @yieldreturn [Array<Hash>] its inline nodes
      # @return [Hash] a table
      def read(table)
        alignments = table.table_alignments
        rows = table.each.map do |row|
          type = row.type == :table_header ? "header_cell" : "cell"
          cells = row.each.each_with_index.map do |cell, x|
            content = yield(cell)
            align = Document::Schema::ALIGNMENTS.find { |each| each == alignments[x].to_s }
            node = { "type" => type, "content" => [ content.empty? ? { "type" => "paragraph" } : { "type" => "paragraph", "content" => content } ] }
            align ? node.merge("attrs" => { "align" => align }) : node
          end
          { "type" => "row", "content" => cells }
        end
        { "type" => "table", "content" => rows }
      end

      def plain?(cell, header)
        (cell["attrs"] || {}).keys.all? { |name| %w[id align].include?(name) } && cell.dig("attrs", "align") == header.dig("attrs", "align") &&
          cell["content"].size == 1 && cell["content"].first["type"] == "paragraph" && cell.dig("content", 0, "attrs", "align").nil? && (cell["content"].first["content"] || []).none? { |inline| inline["type"] == "hard_break" }
      end
      private_class_method :plain?

      # A bar ends a cell wherever it stands, in code too.
      def line(row)
        "| #{row["content"].map { |cell| yield(cell["content"].first["content"]).gsub("|", "\\|") }.join(" | ")} |"
      end
      private_class_method :line
    end
  end
end
