module Zuhause
  module Document
    module Nodes
      class Table < Node
        # Tables of more columns, or set wider than the text is (in pixels), break out to both sides.
        WIDE = 6
        TEXT_WIDTH = 700
        ROWS = "./tr | ./thead/tr | ./tbody/tr | ./tfoot/tr".freeze

        type "table", "row+", group: "block"

        # A wide table scrolls in a box of its own, which can be reached by keyboard for that.
        def html(node, html)
          wide = " table-wide" if html.wide? && wide?(node)
          %(<div class="table#{wide}" tabindex="0"><table#{html.id(node)}>#{widths(node)}<tbody>#{html.children(node)}</tbody></table></div>)
        end

        def sketch(node, sketch, x, width)
          sketch.grid([ node["content"].size, 5 ].min, [ Document::Table.width(node["content"]), 6 ].min, x, width)
        end

        # GFM has no place for ids in a table.
        def markdown(node, around, writer, _alternate)
          return if around.any? || Walk.blocks(node).any? { |block| writer.id(block) } || !Markup::GfmTable.fits?(node)

          Markup::GfmTable.write(node) { |inline| writer.line(inline) }
        end

        def elements
          %w[table]
        end

        def read(element, reader, depth, marks)
          return laid_out(element, reader, depth, marks) if layout?(element)

          reader.nested(element, depth, 3, marks) { table(element, reader, depth) }
        end

        private

        def wide?(node)
          Document::Table.width(node["content"]) > WIDE || node["content"].first["content"].sum { |cell| (cell.dig("attrs", "colwidth") || []).sum } > TEXT_WIDTH
        end

        # In a comparison what changed stands in place of the rows, and widths matter less.
        def widths(node)
          first = node["content"]&.first
          return "" unless first.is_a?(Hash) && first["content"].any? { |cell| cell.dig("attrs", "colwidth") }

          columns = first["content"].flat_map { |cell| cell.dig("attrs", "colwidth") || Array.new(Document::Table.span(cell, "colspan"), 0) }
          "<colgroup>#{columns.map { |width| width.positive? ? %(<col width="#{width}">) : "<col>" }.join}</colgroup>"
        end

        LAYOUT = %w[presentation none].freeze # roles of a table that is none (WAI-ARIA 1.2)
        FEW = 2 # rows

        # Pages have been laid out with tables: those say so, or hold tables, in one column or in few rows without a heading.
        def layout?(element)
          return true if LAYOUT.include?(element["role"])
          return false if element.at_xpath(".//table").nil? || element.at_xpath("./caption | ./tr/th | ./*/tr/th")

          rows = element.xpath(ROWS)
          rows.size <= FEW || rows.all? { |row| row.xpath("./td").size < 2 }
        end

        # What its cells hold, one after the other.
        def laid_out(element, reader, depth, marks)
          element.xpath("#{ROWS} | ./caption").flat_map { |part| part.name == "caption" ? reader.blocks(part, depth, marks) : part.xpath("./td | ./th").flat_map { |cell| reader.blocks(cell, depth, marks) } }
        end

        def table(element, reader, depth)
          rows = element.xpath(ROWS).filter_map do |row|
            cells = row.xpath("./td | ./th").first(Schema::MOST_SPANNED).map { |cell| cell(cell, reader, depth) }
            { "type" => "row", "content" => cells } if cells.any?
          end
          caption = element.at_xpath("./caption")
          before = caption ? reader.blocks(caption, depth, []) : []
          return before + element.xpath("./text()").flat_map { |text| reader.paragraph(reader.inline(text, [])) } if rows.empty?

          before + [ { "type" => "table", "content" => headed(rows) } ]
        end

        # Office programs have no headings of columns: a first row that alone is bold throughout is meant as one.
        def headed(rows)
          first, *rest = rows
          return rows if rest.empty? || rows.any? { |row| row["content"].any? { |cell| cell["type"] == "header_cell" } } || !bold?(first) || rest.any? { |row| bold?(row) }

          plain = first["content"].map { |cell| Walk.rebuild(cell) { |node| node["marks"] ? without_bold(node) : node }.merge("type" => "header_cell") }
          [ first.merge("content" => plain), *rest ]
        end

        def bold?(row)
          row["content"].all? do |cell|
            texts = Walk.each(cell).filter_map { |node, _ancestors| node if node["text"] }
            texts.any? && texts.all? { |text| text["text"].strip.empty? || (text["marks"] || []).any? { |mark| mark["type"] == "strong" } }
          end
        end

        def without_bold(node)
          left = node["marks"].reject { |mark| mark["type"] == "strong" }
          left.empty? ? node.except("marks") : node.merge("marks" => left)
        end

        def cell(element, reader, depth)
          attrs = %w[colspan rowspan].to_h { |name| [ name, element[name].to_i.clamp(1, Schema::MOST_SPANNED) ] }
          align = reader.alignment(element)
          attrs["align"] = align if align
          { "type" => element.name == "th" ? "header_cell" : "cell", "attrs" => attrs, "content" => reader.held("cell", reader.blocks(element, depth + 3, [])) }
        end
      end

      class Row < Node
        type "row", "(cell|header_cell)+"

        def html(node, html)
          html.element("tr", node, html.children(node))
        end
      end

      class AnyCell < Node
        CONTENT = "(paragraph|bullet_list|ordered_list|task_list|code_block|figure)+".freeze
        ATTRS = {
          "colspan" => Attr.whole(1..Schema::MOST_SPANNED, default: 1), "rowspan" => Attr.whole(1..Schema::MOST_SPANNED, default: 1),
          "colwidth" => Attr.wholes(0..2000, Schema::MOST_SPANNED), # pixels, 0 for any
          "align" => Attr.one_of(Schema::ALIGNMENTS, default: nil)
        }.freeze

        def html(node, html)
          spans = %w[colspan rowspan].filter_map { |name| (span = node.dig("attrs", name)) && %( #{name}="#{span}") }
          html.element(tag, node, html.children(node), "#{spans.join}#{html.align(node)}")
        end
      end

      class Cell < AnyCell
        type "cell", CONTENT, attrs: ATTRS

        def tag
          "td"
        end
      end

      class HeaderCell < AnyCell
        type "header_cell", CONTENT, attrs: ATTRS

        def tag
          "th"
        end
      end
    end
  end
end
