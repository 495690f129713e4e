module Zuhause
  module Markup
    # Writes a document as Markdown (CommonMark, with GFM's strikethrough and notices). How ids are written is told
    # at {Trailer}.
    class MarkdownWriter
      # @param doc [Hash] a document in normal form
      # @param ids [Boolean, Set<String>] true for the archive form, from which reading gives the same tree, ids included;
      #   false leaves all ids out; a set writes those in it
      # @return [String] Markdown, ending with a line's end
      def self.write(doc, ids: true)
        "#{new(ids).blocks(doc["content"] || []).join("\n")}\n"
      end

      def initialize(ids)
        @ids = ids
      end

      # @param nodes [Array<Hash>] blocks that stand beside each other
      # @param around [Array<String, nil>] ids of blocks that begin with the first of them, from the inside out
      # @return [Array<String>] lines
      def blocks(nodes, around = [])
        nodes.each_with_index.map do |node, i|
          block(node, i.zero? ? around : [], alternate?(nodes, i))
        end.reduce { |lines, more| lines + [ "" ] + more } || []
      end

      private

      # Lists that follow each other stay apart by differing markers.
      def alternate?(nodes, index)
        nodes[0...index].reverse_each.take_while { |node| marker_kind(node) == marker_kind(nodes[index]) }.size.odd?
      end

      def marker_kind(node)
        return node["type"] unless node["type"] == "task_list"

        plain_tasks?(node) ? "bullet_list" : nil
      end

      def block(node, around, alternate)
        return fenced(node, around) if set_apart?(node)

        case node["type"]
        when "paragraph" then paragraph(node, around)
        when "heading" then heading(node, around)
        when "code_block" then code(node, around)
        when "divider" then divider(node, around)
        when "quote" then prefix(blocks(node["content"], [ id(node), *around ]), "> ")
        when "notice" then notice(node, around)
        when "bullet_list", "ordered_list" then list(node, around, alternate)
        when "task_list" then plain_tasks?(node) ? list(node, around, alternate) : fenced(node, around)
        when "table" then simple_table?(node, around) ? GfmTable.write(node) : fenced(node, around)
        else fenced(node, around)
        end
      end

      # Neither CommonMark nor GFM has a place for how a line is aligned.
      def set_apart?(node)
        %w[paragraph heading].include?(node["type"]) && node.dig("attrs", "align")
      end

      # A paragraph as Markdown has them.
      def plain?(node)
        node["type"] == "paragraph" && !set_apart?(node)
      end

      def fenced(node, around)
        opening = Fence.opening(node, trailer(node, around))
        return [ opening, Fence::CLOSING ] if node["content"].nil?
        return [ opening, "", *paragraph(node.slice("content"), []), "", Fence::CLOSING ] if Document::Schema::NODES.fetch(node["type"]).textblock?

        [ opening, "", *blocks(node["content"]), "", Fence::CLOSING ]
      end

      # GFM has no place for who is to do a task, or by when.
      def plain_tasks?(node)
        node["content"].all? { |task| (task["attrs"] || {}).keys.all? { |name| %w[id done].include?(name) } && plain?(task["content"].first) }
      end

      # GFM has no place for ids in a table.
      def simple_table?(node, around)
        around.none? && Document::Walk.blocks(node).none? { |block| id(block) } && GfmTable.fits?(node)
      end

      def id(node)
        id = node.dig("attrs", "id")
        id if @ids == true || (@ids && @ids.include?(id))
      end

      def trailer(node, around)
        Trailer.write(id(node), around)
      end

      def paragraph(node, around)
        text = InlineWriter.write(node["content"])
        trailer = trailer(node, around)
        trailer ||= "{}" if text.empty? || text.end_with?(InlineWriter::BREAK)
        join(text, trailer).split("\n", -1)
      end

      def join(text, trailer)
        return text if trailer.nil?

        text.empty? || text.end_with?("\n") ? "#{text}#{trailer}" : "#{text} #{trailer}"
      end

      def heading(node, around)
        marks = "#" * (node.dig("attrs", "level") || 1)
        [ [ marks, InlineWriter.write(node["content"]), trailer(node, around) ].compact.reject(&:empty?).join(" ") ]
      end

      def code(node, around)
        text = (node["content"] || []).map { |n| n["text"] }.join
        fence = "`" * [ 3, (text.scan(/`+/).map(&:size).max || 0) + 1 ].max
        info = [ node.dig("attrs", "language"), trailer(node, around) ].compact
        opening = info.empty? ? fence : "#{fence}#{" " unless node.dig("attrs", "language")}#{info.join(" ")}"
        [ opening, *(text.empty? ? [] : text.split("\n", -1)), fence ]
      end

      def divider(node, around)
        trailer = trailer(node, around)
        trailer ? [ Fence.opening(node, trailer), Fence::CLOSING ] : [ "___" ]
      end

      def notice(node, around)
        name = "[!#{(node.dig("attrs", "tone") || "note").upcase}]"
        first = node["content"].first
        gap = plain?(first) ? [] : [ "" ]
        prefix([ [ name, trailer(node, around) ].compact.join(" "), *gap, *blocks(node["content"]) ], "> ")
      end

      def list(node, around, alternate)
        items = node["content"]
        gap = items.all? { |item| compact?(item) } ? [] : [ "" ]
        items.each_with_index.map { |item, i| item(item, marker(node, i, alternate), i.zero? ? [ id(node), *around ] : []) }
             .reduce { |lines, more| lines + gap + more }
      end

      def marker(node, index, alternate)
        return alternate ? "* " : "- " unless node["type"] == "ordered_list"

        number = [ (node.dig("attrs", "start") || 1) + index, Document::Schema::LARGEST_START ].min
        "#{number}#{alternate ? ")" : "."} "
      end

      def item(node, marker, around)
        lines = item_lines(node, [ id(node), *around ])
        box = "[#{node.dig("attrs", "done") ? "x" : " "}] " if node["type"] == "task"
        [ "#{marker}#{box}#{lines.first}", *prefix(lines.drop(1), " " * marker.size) ]
      end

      def item_lines(node, around)
        return blocks(node["content"], around) unless compact?(node) && node["content"].size == 2

        first, second = node["content"]
        blocks([ first ], around) + blocks([ second ])
      end

      # Whether it can be written without blank lines: a paragraph alone, or with a list that may interrupt it.
      def compact?(item)
        first, second, *rest = item["content"]
        return false unless plain?(first) && rest.empty?

        second.nil? || (%w[bullet_list ordered_list].include?(second["type"]) && second.dig("attrs", "start").nil? &&
          second["content"].all? { |inner| compact?(inner) })
      end

      def prefix(lines, prefix)
        lines.map { |line| line.empty? ? prefix.rstrip : "#{prefix}#{line}" }
      end
    end
  end
end
