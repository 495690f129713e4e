require "csv"

module Zuhause
  module Markup
    # Tables as rows of plain text: what spreadsheets put on the clipboard, and CSV (RFC 4180) in and out.
    module Grid
      SEPARATORS = [ "\t", ",", ";" ].freeze
      MOST_ROWS = 2000

      module_function

      # @param text [String] any text
      # @param separator [String, nil] found out if not given
      # @return [Hash, nil] a table whose first row is of headings; nil if the text is not one of at least two columns
      def read(text, separator: nil)
        text = Document::Normal.clean(text.delete_prefix("\uFEFF"))
        rows = (separator ? [ separator ] : SEPARATORS).filter_map { |each| rows(text, each) }.max_by { |found| found.first.size } or return
        width = rows.map(&:size).max
        return if width < 2 || width > Document::Schema::MOST_SPANNED || rows.size > MOST_ROWS

        content = rows.each_with_index.map { |row, y| row(row + Array.new(width - row.size), y.zero? ? "header_cell" : "cell") }
        { "type" => "table", "content" => content }
      end

      # @param text [String] of the clipboard
      # @return [Hash, nil] a table if every line has the same number of tabs, and there are two lines at least
      def pasted(text)
        lines = text.chomp.lines
        return unless lines.size > 1 && lines.first.include?("\t")

        read(text, separator: "\t") if rows(text, "\t")&.map(&:size)&.uniq&.one?
      end

      # What spreadsheets would run: a formula.
      FORMULA = /\A(?:[=@\t\r]|[+-].*[|!(=])/m

      # @param table [Hash] a table in normal form
      # @param inert [Boolean] whether an apostrophe is put before what a spreadsheet would take for a formula
      # @return [String] CSV; a cell that spans several stands in the first of them
      def write(table, inert: false)
        places = Document::Table.places(table["content"])
        width = Document::Table.width(table["content"])
        grid = Array.new(table["content"].size) { Array.new(width) }
        places.each { |place| grid[place.row][place.column] = text(place.cell, inert) }
        grid.map { |row| CSV.generate_line(row, row_sep: "\r\n") }.join
      end

      def text(cell, inert)
        text = Document::Text.of(cell)
        inert && text.match?(FORMULA) ? "'#{text}" : text
      end
      private_class_method :text

      def rows(text, separator)
        rows = CSV.parse(text, col_sep: separator, liberal_parsing: true).reject { |row| row.compact.empty? }
        rows unless rows.empty?
      rescue CSV::MalformedCSVError
        nil
      end
      private_class_method :rows

      def row(values, type)
        cells = values.map do |value|
          lines = value.to_s.strip.split("\n").reject(&:empty?)
          paragraphs = lines.map { |line| { "type" => "paragraph", "content" => [ { "type" => "text", "text" => line } ] } }
          { "type" => type, "content" => paragraphs.empty? ? [ { "type" => "paragraph" } ] : paragraphs }
        end
        { "type" => "row", "content" => cells }
      end
      private_class_method :row
    end
  end
end
