require "nokogiri"

module Zuhause
  module Markup
    # Reads HTML, pasted or brought in, into a document. Any text can be read; only what the document tree has a place for
    # comes in, so nothing that could run does. What is left out is reported.
    class HTMLReader
      include HTMLLines

      HEADINGS = %w[h1 h2 h3 h4 h5 h6].freeze
      LISTS = { "ul" => "bullet_list", "ol" => "ordered_list", "menu" => "bullet_list" }.freeze
      # Elements that hold blocks, or stand as one.
      BLOCKS = (HEADINGS + LISTS.keys + %w[p div section article main header footer aside nav address center form fieldset body html li blockquote pre hr table
                                           caption thead tbody tfoot tr td th details summary figure figcaption dl dt dd]).to_set.freeze
      DEEPEST = 300 # elements within each other; the parser's time grows with the square of it
      TAG = /<(\/?)[a-z][^<>]*>/i

      # @param html [String] any text
      # @param picture [#call] takes the address and the words of a picture, gives the public id of the file to show in its
      #   place, or nil to leave it out
      # @return [MarkdownReader::Read]
      def self.read(html, picture: ->(_address, _words) { })
        new(html, picture).read
      end

      def initialize(html, picture)
        @html = Document::Normal.clean(html)
        @picture = picture
        @reports = []
      end

      def read
        root = parse.root
        OfficeLists.mend(root) if root
        look_over(root) if root
        nodes = root ? blocks(root, 1, []) : []
        nodes = [ { "type" => "paragraph" } ] if nodes.empty?
        doc, dropped = Document::Normal.form({ "type" => "doc", "content" => nodes })
        dropped.each { |target| report(:target, target) }
        MarkdownReader::Read.new(doc: doc, reports: @reports)
      end

      private

      def parse
        Nokogiri::HTML5.parse(@html, max_tree_depth: DEEPEST, max_attributes: -1)
      rescue ArgumentError
        report(:too_deep, "")
        Nokogiri::HTML5.parse(flattened, max_tree_depth: -1, max_attributes: -1)
      end

      # The text without the tags of what stands too deep; only for what nobody wrote by hand.
      def flattened
        depth = 0
        @html.gsub(TAG) do |tag|
          closing = Regexp.last_match(1) == "/"
          depth = [ depth - 1, 0 ].max if closing
          keep = depth < DEEPEST / 2
          depth += 1 unless closing
          keep ? tag : " "
        end
      end

      # Finds once, for all that follows, what holds blocks, which pictures are kept, and where headings begin.
      def look_over(root)
        @holding = Set.new.compare_by_identity
        @files = {}
        top = HEADINGS.length
        root.traverse do |node|
          next unless node.element?

          @files[node] = file_of(node) if node.name == "img"
          top = [ top, HEADINGS.index(node.name) ].min if HEADINGS.include?(node.name)
          hold(node.parent) if BLOCKS.include?(node.name) || @files[node]
        end
        @shift = top == HEADINGS.length ? 0 : top
      end

      def hold(node)
        while node&.element? && @holding.add?(node)
          node = node.parent
        end
      end

      def file_of(image)
        id = @picture.call(image["src"].to_s, image["alt"].to_s)
        report(:picture, image["src"]) unless id
        id
      end

      # @return [Array<Hash>] the blocks that an element holds; what stands in a line between them becomes paragraphs
      def blocks(parent, depth, marks)
        result = []
        line = []
        parent.children.each do |node|
          next line.concat(inline(node, marks)) unless stands_alone?(node)

          result.concat(paragraph(line, parent))
          line = []
          result.concat(block(node, depth, marks))
        end
        result.concat(paragraph(line, parent))
      end

      def stands_alone?(node)
        node.element? && (BLOCKS.include?(node.name) || @holding.include?(node) || @files[node])
      end

      # @param parent [Nokogiri::XML::Node, nil] whose style the line has
      def paragraph(line, parent = nil)
        text = trimmed(line)
        text.empty? ? [] : [ { "type" => "paragraph", "attrs" => centred(parent), "content" => text }.compact ]
      end

      # Paragraphs, and what stands for them; in cells it is the cell that is aligned.
      def centred(node)
        { "align" => "center" } if node && %w[p div center h1 h2 h3 h4 h5 h6].include?(node.name) && (node.name == "center" || alignment(node) == "center")
      end

      def alignment(node)
        "#{node["align"]} #{node["style"].to_s[/text-align:\s*(\w+)/i, 1]}"[/center|right/]
      end

      def block(node, depth, marks)
        return [] if QUIET.include?(node.name)
        return unkept(node) if UNKEPT.include?(node.name)

        case node.name
        when *HEADINGS then [ heading(node) ]
        when *LISTS.keys then nested(node, depth, 2, marks) { list(node, depth, marks) }
        when "blockquote" then nested(node, depth, 1, marks) { [ { "type" => "quote", "content" => held("quote", blocks(node, depth + 1, marks)) } ] }
        when "details" then nested(node, depth, 1, marks) { [ fold(node, depth, marks) ] }
        when "pre" then [ code(node) ]
        when "hr" then [ { "type" => "divider" } ]
        when "table" then nested(node, depth, 3, marks) { table(node, depth) }
        when "figure" then figure(node, depth, marks)
        when "img" then [ picture(node) ]
        else blocks(node, depth, marks + marks_of(node))
        end
      end

      # Containers too deep to keep give way to what is in them.
      def nested(node, depth, levels, marks)
        return yield if depth + levels <= Document::Schema::MAX_DEPTH

        report(:too_deep, "")
        blocks(node, depth, marks)
      end

      def held(name, blocks)
        Fit.into(name, blocks) { |code| report(code, name) } || [ { "type" => "paragraph" } ]
      end

      def heading(node)
        level = HEADINGS.index(node.name) + 1 - @shift
        report(:heading_level, level) if level > Document::Schema::HEADING_LEVELS.end
        text = trimmed(inline(node, [])).filter_map { |piece| piece["type"] == "hard_break" ? { "type" => "text", "text" => " " } : piece }
        { "type" => "heading", "attrs" => { "level" => level.clamp(1, Document::Schema::HEADING_LEVELS.end), **(centred(node) || {}) }, "content" => text }
      end

      def list(node, depth, marks)
        items = node.element_children.flat_map { |child| child.name == "li" ? [ item(child, depth, marks) ] : loose_item(child, depth, marks) }
        items << { "type" => "list_item", "content" => [ { "type" => "paragraph" } ] } if items.empty?
        return [ { "type" => "task_list", "content" => items } ] if items.all? { |item| item["type"] == "task" }

        items = items.map { |item| item.merge("type" => "list_item").except("attrs") }
        list = { "type" => LISTS.fetch(node.name), "content" => items }
        start = node["start"].to_i
        list["attrs"] = { "start" => start } if node.name == "ol" && node["start"] && start.between?(0, Document::Schema::LARGEST_START)
        [ list ]
      end

      # A list within a list that is in no item belongs to the item before it; here it gets one of its own.
      def loose_item(child, depth, marks)
        blocks = stands_alone?(child) ? block(child, depth + 2, marks) : paragraph(inline(child, marks))
        blocks.empty? ? [] : [ { "type" => "list_item", "content" => blocks } ]
      end

      def item(node, depth, marks)
        content = held("list_item", blocks(node, depth + 2, marks))
        box = node.at_xpath("./input[@type='checkbox'] | ./p[1]/input[@type='checkbox'] | ./label/input[@type='checkbox'] | ./p[1]/label/input[@type='checkbox']")
        return { "type" => "task", "attrs" => { "done" => !box["checked"].nil? }, "content" => content } if box

        { "type" => "list_item", "content" => content }
      end

      def fold(node, depth, marks)
        summary = node.at_xpath("./summary")
        title = summary ? summary.text.gsub(SPACE, " ").strip[0, Document::Schema::LONGEST_NAME] : ""
        summary&.unlink
        attrs = { "title" => title.gsub(/[[:cntrl:]]/, "") }
        attrs["open"] = true if node["open"]
        { "type" => "fold", "attrs" => attrs, "content" => held("fold", blocks(node, depth + 1, marks)) }
      end

      def code(node)
        language = [ node["class"], node.at_xpath("./code")&.[]("class") ].compact.join(" ")[/(?:\A|\s)(?:lang(?:uage)?-)([\w+#.-]{1,40})(?=\s|\z)/, 1]
        text = node.xpath(".//text() | .//br").map { |piece| piece.name == "br" ? "\n" : piece.text }.join.delete_prefix("\n").chomp
        code = { "type" => "code_block" }
        code["attrs"] = { "language" => language } if language
        text.empty? ? code : code.merge("content" => [ { "type" => "text", "text" => text } ])
      end

      def table(node, depth)
        rows = node.xpath("./tr | ./thead/tr | ./tbody/tr | ./tfoot/tr").filter_map do |row|
          cells = row.xpath("./td | ./th").first(Document::Schema::MOST_SPANNED).map { |cell| cell(cell, depth) }
          { "type" => "row", "content" => cells } if cells.any?
        end
        caption = node.at_xpath("./caption")
        before = caption ? blocks(caption, depth, []) : []
        return before + node.xpath("./text()").flat_map { |text| paragraph(inline(text, [])) } if rows.empty?

        before + [ { "type" => "table", "content" => rows } ]
      end

      def cell(node, depth)
        type = node.name == "th" ? "header_cell" : "cell"
        attrs = %w[colspan rowspan].to_h { |name| [ name, node[name].to_i.clamp(1, Document::Schema::MOST_SPANNED) ] }
        align = alignment(node)
        attrs["align"] = align if align
        { "type" => type, "attrs" => attrs, "content" => held("cell", blocks(node, depth + 3, [])) }
      end

      def figure(node, depth, marks)
        images = node.css("img").select { |image| @files[image] }
        caption = node.at_xpath("./figcaption")
        return blocks(node, depth, marks) unless images.one? && node.css("img, table, pre, ul, ol").one?

        words = caption ? trimmed(inline(caption, [])) : []
        [ picture(images.first).merge(words.empty? ? {} : { "content" => words }) ]
      end

      def picture(node)
        words = node["alt"].to_s.gsub(/[[:cntrl:]]/, " ").strip[0, Document::Schema::LONGEST_NAME]
        { "type" => "figure", "attrs" => { "file" => @files.fetch(node), "alt" => words } }
      end

      def report(code, detail)
        @reports << MarkdownReader::Report.new(code: code, detail: detail.to_s[0, 200])
        true
      end
    end
  end
end
