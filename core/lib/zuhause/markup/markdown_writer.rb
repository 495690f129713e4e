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
        writer = new(ids)
        "#{[ *writer.blocks(doc["content"] || []), *writer.foot ].join("\n")}\n"
      end

      def initialize(ids)
        @ids = ids
        @notes = []
      end

      # What follows is for the types of nodes ({Document::Node#markdown}).

      # @param nodes [Array<Hash>] blocks that stand beside each other
      # @param around [Array<String, nil>] ids of blocks that begin with the first of them, from the inside out
      # @return [Array<String>] lines
      def blocks(nodes, around = [])
        nodes.each_with_index.map do |node, i|
          block(node, i.zero? ? around : [], alternate?(nodes, i))
        end.reduce { |lines, more| lines + [ "" ] + more } || []
      end

      # @return [String] inline nodes, as {InlineWriter} writes them
      def line(nodes)
        InlineWriter.write(nodes, note: method(:note))
      end

      # @return [Array<String>] lines
      def paragraph(node, around)
        text = line(node["content"])
        trailer = trailer(node, around)
        trailer ||= "{}" if text.empty? || text.end_with?(InlineWriter::BREAK)
        joined(text, trailer).split("\n", -1)
      end

      def joined(text, trailer)
        return text if trailer.nil?

        text.empty? || text.end_with?("\n") ? "#{text}#{trailer}" : "#{text} #{trailer}"
      end

      def prefix(lines, prefix)
        lines.map { |line| line.empty? ? prefix.rstrip : "#{prefix}#{line}" }
      end

      # @return [String, nil] the block's id, if it is to be written
      def id(node)
        id = node.dig("attrs", "id")
        id if @ids == true || (@ids && @ids.include?(id))
      end

      def trailer(node, around)
        Trailer.write(id(node), around)
      end

      # @return [Array<String>] the lines of what stands at the foot
      def foot
        @notes.each_with_index.flat_map do |note, i|
          first, *rest = paragraph(note.slice("content"), [])
          [ "", "[^#{i + 1}]: #{first}", *prefix(rest, "    ") ]
        end
      end

      private

      # @return [Integer] its number
      def note(node)
        @notes << node
        @notes.size
      end

      # Lists that follow each other stay apart by differing markers.
      def alternate?(nodes, index)
        kind = runs_together(nodes[index])
        kind && nodes[0...index].reverse_each.take_while { |node| runs_together(node) == kind }.size.odd?
      end

      def runs_together(node)
        type(node).runs_together(node)
      end

      def type(node)
        Document::Schema::NODES.fetch(node["type"])
      end

      def block(node, around, alternate)
        type(node).markdown(node, around, self, alternate) || fenced(node, around)
      end

      def fenced(node, around)
        opening = Fence.opening(node, trailer(node, around))
        return [ opening, Fence::CLOSING ] if node["content"].nil?
        return [ opening, "", *paragraph(node.slice("content"), []), "", Fence::CLOSING ] if type(node).textblock?

        [ opening, "", *blocks(node["content"]), "", Fence::CLOSING ]
      end
    end
  end
end
