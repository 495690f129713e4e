require "commonmarker"

module Zuhause
  module Markup
    # Reads Markdown into a document. Any text can be read; what is not understood becomes text or code and is
    # reported.
    class MarkdownReader
      # What {read} answers: the document in normal form (ids as far as the text tells them), and what could not be
      # kept as it was; from HTML also +anchors+, the ids of blocks by the names that its links lead to.
      Read = Struct.new(:doc, :reports, :anchors, keyword_init: true)
      # +code+ (Symbol): :html, :element, :picture, :target, :heading_level, :code_info, :fence, :misplaced or :too_deep; +detail+ (String):
      # the text concerned; +line+ (Integer, nil): where its block begins, counted from 1.
      Report = Struct.new(:code, :detail, :line, keyword_init: true)

      NOTICES = { "NOTE" => "note", "TIP" => "tip", "IMPORTANT" => "note", "CAUTION" => "caution",
                  "WARNING" => "caution", "DANGER" => "danger" }.freeze
      NOTICE = /\A\[!(?<name>#{NOTICES.keys.join("|")})\](?<trailer>[ \t]*\{[^}\n]*\})?[ \t]*(?:\n|\z)/i
      TASK = /\A\[(?<done>[ xX])\](?: |\z)/
      # The parser recurses, and fails some thousand levels down.
      MAX_NESTING = 100
      MARKER = /[ \t]*(?:>|[-+*][ \t]|\d{1,9}[.)][ \t])/
      TOO_NESTED = /^((?:#{MARKER.source}){#{MAX_NESTING}})(?=#{MARKER.source})[ \t]*/

      # @param markdown [String] any text
      # @param picture [#call] takes the address and the words of a picture that stands alone, gives the public id of the file
      #   to show in its place, or nil to leave a link
      # @param lead [#call, nil] takes the address of a link, gives what it is to lead to, or nil for no link
      # @return [Read]
      # @raise [Document::Invalid] for more than a document can hold ({Document::Limits})
      def self.read(markdown, picture: ->(_address, _words) { }, lead: nil)
        new(markdown, picture, lead).read
      end

      def initialize(markdown, picture, lead = nil)
        Document::Limits.hold(:markdown, markdown.bytesize)
        @markdown = Document::Normal.clean(markdown)
        @size = Document::Limits::Size.new
        @picture = picture
        @lead = lead
        @reports = []
        @copies = Hash.new(0)
      end

      def read
        GfmTable.judge(@markdown)
        text = @markdown.gsub(TOO_NESTED) { report(:too_deep, "") && "#{Regexp.last_match(1)}\\" }
        root, @notes = Footnotes.parse(Escapes.protect(Definitions.mark(text))) { |unused| report(:footnote, unused) }
        nodes = blocks(root, 1).map(&:first)
        nodes = [ { "type" => "paragraph" } ] if nodes.empty?
        doc, = Document::Normal.form({ "type" => "doc", "content" => nodes })
        Read.new(doc: doc, reports: @reports)
      end

      private

      # Every method that reads a block gives pairs: the node, and the ids of blocks around that begin with it.
      def blocks(parent, depth)
        fenced(Definitions.gathered(parent.each.reject { |node| node.type == :footnote_definition }.flat_map { |node| block(node, depth) }, method(:textblock)), depth)
      end

      # Puts what stands between fences into the blocks that they open. A fence that is never closed, or closes nothing,
      # is text.
      def fenced(pairs, depth)
        return pairs if pairs.none? { |node, _around| node["fence"] }

        open = []
        pairs.each_with_object([ [] ]) do |pair, levels|
          line = pair.first["fence"]
          if line == Fence::CLOSING && open.any?
            inner = levels.pop
            levels.last << close(open.pop, inner)
          elsif line.is_a?(Fence::Line) && !line.leaf && depth + open.size < Document::Schema::MAX_DEPTH && placed?(line, open)
            open << line
            levels << []
            line.text = pair.first
          else
            @line = line.line if line.is_a?(Fence::Line)
            stands = line.is_a?(Fence::Line) && line.leaf && placed?(line, open)
            report(:fence, Document::Text.of(pair.first)) if line && !stands
            levels.last << (stands ? leaf(line) : pair)
          end
        end.then { |levels| unclosed(levels, open) }
      end

      # What stands only in certain blocks needs one around it.
      def placed?(line, open)
        !Document::Schema::NODES.fetch(line.name).group.nil? || open.any?
      end

      # @return [Array<Hash>, nil] nil if the container cannot hold anything of it
      def held(name, blocks)
        return Fit.into(name, blocks) { |code| report(code, name) } unless Document::Schema::NODES.fetch(name).textblock?

        report(:misplaced, name) if blocks.size > 1 || blocks.any? { |block| block["type"] != "paragraph" }
        inline = blocks.flat_map { |block| Document::Schema::NODES.fetch(block["type"]).textblock? ? block["content"] || [] : [] }
        name == "heading" ? Fit.text(inline) : inline
      end

      def unclosed(levels, open)
        levels.drop(1).zip(open).reduce(levels.first) do |all, (level, line)|
          @line = line.line
          report(:fence, Document::Text.of(line.text))
          all + [ [ line.text, [] ] ] + level
        end
      end

      def leaf(line)
        with_ids({ "type" => line.name, "attrs" => line.attrs }.reject { |_key, value| value.empty? }, Trailer::Ids.new(own: line.own, around: line.around))
      end

      # The blocks inside, wrapped where the container cannot hold them as they are.
      def close(line, inner)
        content = held(line.name, inner.map(&:first))
        return [ line.text, [] ] if content.nil?

        with_ids({ "type" => line.name, "attrs" => line.attrs, "content" => content }.reject { |_key, value| value.empty? }, Trailer::Ids.new(own: line.own, around: line.around))
      end

      def block(node, depth)
        @line = node.sourcepos[:start_line]
        @size.more(1)
        case node.type
        when :paragraph then [ paragraph(node) ]
        when :header then [ heading(node) ]
        when :code_block then [ code(node) ]
        when :hrule then [ [ { "type" => "divider" }, [] ] ]
        when :html then [ html(node) ]
        when :table then [ table(node) ]
        when :blockquote then nested(node, depth, 1) { [ quote(node, depth) ] }
        when :list then nested(node, depth, 2) { lists(node, depth) }
        else blocks(node, depth)
        end
      end

      # Containers too deep to keep give way to what is in them.
      def nested(node, depth, levels)
        return yield if depth + levels <= Document::Schema::MAX_DEPTH

        report(:too_deep, "")
        leaves = []
        stack = [ node ]
        while (inner = stack.pop)
          if %i[blockquote list list_item].include?(inner.type)
            stack.concat(inner.each.to_a.reverse)
          else
            leaves.concat(block(inner, depth))
          end
        end
        leaves.empty? ? [ [ { "type" => "paragraph" }, [] ] ] : leaves
      end

      def paragraph(node)
        figure = figure(node)
        return [ figure, [] ] if figure

        inline = inline(node)
        fence = fence(inline)
        block, around = textblock({ "type" => "paragraph" }, inline)
        [ fence ? block.merge("fence" => fence) : block.merge("task" => task(inline), "read" => inline).compact, around ]
      end

      # @return [Hash, nil] a picture that stands alone
      def figure(node)
        image = node.first_child
        return unless image&.type == :image && image.next.nil?

        words = Escapes.restore(image.walk.filter_map { |inner| inner.string_content if inner.type == :text }.join)[0, Document::Schema::LONGEST_NAME]
        file = @picture.call(Escapes.restore(image.url), words)
        { "type" => "figure", "attrs" => { "file" => file, "alt" => words } } if file
      end

      # @return [Fence::Line, String, nil] what the paragraph opens or closes, if it is a fence
      def fence(inline)
        text = inline.first&.fetch("text", nil)
        return unless inline.one? && inline.first["marks"].nil? && text&.start_with?(Fence::CLOSING)

        text == Fence::CLOSING ? text : Fence.read(text)&.tap { |line| line.line = @line }
      end

      # @return [Boolean, nil] whether the box that it begins with is ticked; nil if it begins with none
      def task(inline)
        match = inline.first && inline.first["marks"].nil? && TASK.match(inline.first["text"].to_s) or return

        match[:done] != " "
      end

      def heading(node)
        level = node.header_level
        report(:heading_level, level.to_s) if level > Document::Schema::HEADING_LEVELS.end
        inline = inline(node)
        report(:misplaced, "heading") if inline.any? { |inner| !%w[text hard_break].include?(inner["type"]) }
        inline = Fit.text(inline)
        level = [ level, Document::Schema::HEADING_LEVELS.end ].min
        textblock({ "type" => "heading", "attrs" => { "level" => level } }, inline)
      end

      def textblock(block, inline)
        ids = nil
        last = inline.last
        if last && last["type"] == "text" && last["marks"].nil?
          text, ids = Trailer.split(last["text"])
          inline = inline[0...-1] + (text.empty? ? [] : [ last.merge("text" => text) ])
        end
        content = inline.map { |node| node["text"] ? node.merge("text" => Escapes.restore(node["text"])) : node }
        with_ids(content.empty? ? block : block.merge("content" => content), ids)
      end

      def with_ids(block, ids)
        return [ block, [] ] unless ids

        block = block.merge("attrs" => { "id" => ids.own }.merge(block["attrs"] || {})) if ids.own
        [ block, ids.around ]
      end

      def code(node)
        info, ids = Trailer.split(node.fence_info.to_s)
        language, rest = info.strip.split(/\s+/, 2)
        language, rest = nil, info unless language.nil? || Document::Schema::NODES["code_block"].attrs["language"].allows?(language)
        report(:code_info, rest) if rest
        block = { "type" => "code_block" }
        block["attrs"] = { "language" => language } if language
        with_ids(block.merge(code_content(node)), ids)
      end

      def html(node)
        report(:html, node.string_content)
        [ { "type" => "code_block", "attrs" => { "language" => "html" } }.merge(code_content(node)), [] ]
      end

      def code_content(node)
        text = Escapes.restore_code(node.string_content).chomp
        text.empty? ? {} : { "content" => [ { "type" => "text", "text" => text } ] }
      end

      # Items that explain a term, and others beside them, are lists of their own.
      def lists(node, depth)
        contents = node.each.map { |item| blocks(item, depth + 2) }
        contents.chunk_while { |a, b| Definitions.item?(a) == Definitions.item?(b) }.map do |run|
          Definitions.item?(run.first) ? Definitions.read(run) { |content| container({ "type" => "definition" }, content) } : list(node, run)
        end
      end

      def list(node, contents)
        return task_list(contents) if node.list_type == :bullet_list && contents.all? { |content| content.first && !content.first.first["task"].nil? }

        items = contents.map { |content| container({ "type" => "list_item" }, content) }
        ordered = node.list_type == :ordered_list
        list = { "type" => ordered ? "ordered_list" : "bullet_list" }
        list["attrs"] = { "start" => node.list_start } if ordered && node.list_start != 1
        container(list, items)
      end

      def task_list(contents)
        tasks = contents.map do |content|
          (first, around), *rest = content
          task = { "type" => "task" }
          task["attrs"] = { "done" => true } if first["task"]
          container(task, [ [ without_box(first), around ], *rest ])
        end
        container({ "type" => "task_list" }, tasks)
      end

      def without_box(paragraph)
        text, *rest = paragraph["content"]
        left = text["text"].sub(TASK, "")
        left.empty? ? paragraph.merge("content" => rest) : paragraph.merge("content" => [ text.merge("text" => left), *rest ])
      end

      def table(node)
        cells = GfmTable.read(node) do |cell|
          inline(cell).map { |inline| inline["text"] ? inline.merge("text" => Escapes.restore(inline["text"])) : inline }
        end
        [ cells, [] ]
      end

      # @return [Array<Hash>] inline nodes, escapes still protected
      def inline(node)
        InlineReader.new(node, method(:report), ->(number) { footnote(number) }, @lead).nodes.tap { |nodes| @size.more(nodes.size) }
      end

      # What stands at the foot, where its number stands. More than lines of text cannot be kept there.
      def footnote(number)
        note = @notes.fetch(number - 1)
        copies = @copies[number] += 1
        return report(:footnote, number) && { "type" => "text", "text" => "[#{number}]" } if copies > Footnotes::MOST_COPIES

        report(:misplaced, "footnote") if note.each.any? { |block| block.type != :paragraph }
        lines = note.each.map { |block| block.type == :paragraph ? Footnotes.line(block, method(:report), @lead) : Footnotes.plain(block) }
        textblock({ "type" => "footnote" }, lines.reject(&:empty?).flat_map { |line| [ { "type" => "hard_break" }, *line ] }.drop(1)).first
      end

      def quote(node, depth)
        notice(node, depth) || container({ "type" => "quote" }, blocks(node, depth + 1))
      end

      def notice(node, depth)
        first = node.first_child
        return unless first&.type == :paragraph

        opening, *inline = inline(first)
        match = opening && opening["marks"].nil? && NOTICE.match(opening["text"].to_s) or return

        inline.unshift({ "type" => "text", "text" => match.post_match }) unless match.post_match.empty?
        children = fenced(Definitions.gathered(node.each.drop(1).flat_map { |child| block(child, depth + 1) }, method(:textblock)), depth + 1)
        children.unshift(textblock({ "type" => "paragraph" }, inline)) unless inline.empty? && children.any?
        _rest, ids = Trailer.split(match[:trailer].to_s)
        block = { "type" => "notice", "attrs" => { "tone" => NOTICES.fetch(match[:name].upcase) } }
        with_ids(block.merge("content" => children.map(&:first)), ids)
      end

      # A container takes its own id from what its first child was told of the blocks around it.
      def container(node, children)
        around = children.first&.last || []
        own, *rest = around
        node = node.merge("attrs" => { "id" => own }.merge(node["attrs"] || {})) if own
        content = children.map(&:first)
        content = [ { "type" => "paragraph" } ] if content.empty?
        [ node.merge("content" => content), rest ]
      end

      def report(code, detail)
        @reports << Report.new(code: code, detail: detail.to_s[0, 200], line: @line)
        true
      end
    end
  end
end
