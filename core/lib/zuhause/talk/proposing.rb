module Zuhause
  module Talk
    # Other words that somebody proposes for a stretch of one block's text.
    module Proposing
      # The stretch does not say any more what the words were proposed for.
      class Unfit < StandardError; end

      module_function

      # @param was [String] what stands there
      # @param words [String] what is to stand there; empty to strike it
      # @return [Array<Array(Symbol, String)>] by word what is :same, :removed and :added, in order
      def difference(was, words)
        Changes::Inline.compare(line(was), line(words)).flat_map do |part|
          [ ([ part.kind == :same ? :same : :removed, said(part.old) ] if part.old&.any?), ([ :added, said(part.new) ] if part.kind != :same && part.new&.any?) ].compact
        end
      end

      # @param document [Hash] in normal form
      # @param anchor [Anchors::Anchor] a stretch within one block of it
      # @param words [String]
      # @return [Hash] the document with the words; those that stay keep their marks, and new ones take those of what they
      #   take the place of
      # @raise [Unfit]
      def take(document, anchor, words)
        there = Anchors::PageText.new(document).anchor(anchor.block, anchor.start, anchor.length) unless anchor.whole?
        raise Unfit unless there&.exact == anchor.exact

        done = Document::Walk.rebuild(document) { |node| node.dig("attrs", "id") == anchor.block ? with_words(node, anchor, words) : node }
        Document.accept(done).doc
      end

      # @param document [Hash]
      # @return [Boolean] whether words can be put there: within one block, among nothing but text
      def possible?(document, anchor)
        return false if anchor.nil? || anchor.whole?

        block = Document::Walk.blocks(document).find { |node| node.dig("attrs", "id") == anchor.block }
        !inside(block, anchor).nil?
      end

      def with_words(node, anchor, words)
        before, inner, after = inside(node, anchor) || raise(Unfit)
        parts = Changes::Inline.compare(inner, line(words))
        put = parts.each_with_index.flat_map { |part, i| part.kind == :removed ? [] : part.kind == :added ? like(part.new, parts, i) : part.old }
        node.merge("content" => Changes::Inline.glue(before + put + after))
      end
      private_class_method :with_words

      # New words bear the marks of those whose place they take, else of what stands before them.
      def like(nodes, parts, at)
        model = [ parts[at - 1], parts[at + 1] ].compact.find { |part| part.kind == :removed } || (parts[at - 1] if at.positive?) || parts[at + 1]
        marks = model&.old&.last&.fetch("marks", nil)
        nodes.map { |node| node.merge("marks" => marks).compact }
      end
      private_class_method :like

      # @return [Array(Array<Hash>, Array<Hash>, Array<Hash>), nil] the block's nodes before, in and after the stretch
      def inside(node, anchor)
        at, parts = 0, [ [], [], [] ]
        (node["content"] || []).each do |each|
          length = length_of(each)
          from, upto = anchor.start - at, anchor.start + anchor.length - at
          at += length
          next parts[upto <= 0 ? 2 : 0] << each if upto <= 0 || from >= length
          return unless each["type"] == "text"

          [ each["text"][0...[ from, 0 ].max], each["text"][[ from, 0 ].max...upto], each["text"][upto..] ].each_with_index { |text, i| parts[i] << each.merge("text" => text) if text.to_s != "" }
        end
        parts if parts[1].any? && parts[1].sum { |each| each["text"].length } == anchor.length
      end
      private_class_method :inside

      # What stands at the foot counts for nothing in the line.
      def length_of(node)
        type = Document::Schema::NODES.fetch(node["type"])
        type.apart? ? 0 : type.text(node).length
      end
      private_class_method :length_of

      def line(text)
        text.empty? ? [] : [ { "type" => "text", "text" => text } ]
      end
      private_class_method :line

      def said(nodes)
        nodes.map { |node| node["text"] }.join
      end
      private_class_method :said
    end
  end
end
