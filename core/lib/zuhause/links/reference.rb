module Zuhause
  module Links
    # One place in a document that points somewhere: the target, what it is used for (:link, :insert, :title, :mention,
    # :task, :file or :cite), the block it stands in, its label, and the words around it.
    Reference = Struct.new(:target, :use, :block_id, :label, :context, keyword_init: true)

    CONTEXT = 60 # characters to either side of a label
    private_constant :CONTEXT

    module_function

    # @param doc [Hash] a document in normal form
    # @return [Array<Reference>] its links in document order, one each however many marks its label carries
    def in(doc)
      Document::Walk.blocks(doc).flat_map do |block|
        inside = Document::Schema::NODES.fetch(block["type"]).textblock? ? in_textblock(block) : []
        named(block, block) { beginning(block) } + inside
      end
    end

    # Lets links lead elsewhere, as those among copied pages must.
    #
    # @param doc [Hash] a document in normal form
    # @yieldparam target [Target] of each link
    # @yieldreturn [Target, nil] where it is to lead; nil if its label is to be text alone
    # @return [Hash] the document with those targets, in normal form
    def retarget(doc, &lead)
      Document::Walk.rebuild(doc) do |node|
        type = Document::Schema::NODES.fetch(node["type"])
        node = type.led(node, &lead)
        next node.merge("content" => Document::Normal.joined(node["content"])) if type.textblock? && node["content"]
        next node unless target_of(node)

        marks = node["marks"].filter_map do |mark|
          next mark unless mark["type"] == "link"

          led = lead.call(Target.parse(mark["attrs"]["target"]))
          mark.merge("attrs" => mark["attrs"].merge("target" => led.to_s)) if led
        end
        marks.empty? ? node.except("marks") : node.merge("marks" => marks)
      end
    end

    # @param node [Hash] an inline node
    # @return [String, nil] the target of the link it is part of
    def target_of(node)
      node["marks"]&.find { |mark| mark["type"] == "link" }&.dig("attrs", "target")
    end

    # @return [String] what a block that points somewhere begins with
    def beginning(block)
      Line.new([ { "type" => "text", "text" => Document::Text.of(block) } ]).around(0, 0)
    end
    private_class_method :beginning

    # What the text of a block points to, and what stands at its foot.
    def in_textblock(block)
      inline = block["content"] || []
      linked(inline, block) + named_inside(inline, block) + inline.flat_map { |node| node["content"] ? linked(node["content"], block) : [] }
    end
    private_class_method :in_textblock

    # @param block [Hash] that the text stands in
    def linked(inline, block)
      return [] if inline.none? { |node| target_of(node) }

      line = Line.new(inline)
      line.runs { |a, b| target_of(a) && target_of(a) == target_of(b) }.filter_map do |run, from, to|
        target = target_of(run.first) && Target.parse(target_of(run.first)) or next
        Reference.new(target: target, use: :link, block_id: block.dig("attrs", "id"), label: line.label(from, to).strip, context: line.around(from, to))
      end
    end
    private_class_method :linked

    # What stands in a line and points somewhere by its attributes.
    def named_inside(inline, block)
      return [] if inline.all? { |node| node["type"] == "text" }

      line = Line.new(inline)
      line.runs { false }.flat_map { |(node), from, to| named(node, block) { line.around(from, to) } }
    end
    private_class_method :named_inside

    # @yieldreturn [String] the words around
    def named(node, block)
      Document::Schema::NODES.fetch(node["type"]).targets(node).map do |target, use, label|
        Reference.new(target: target, use: use, block_id: block.dig("attrs", "id"), label: label, context: yield)
      end
    end
    private_class_method :named

    # The text of inline nodes, and what stands around a stretch of it. Places are told in bytes: counting characters from the
    # beginning for each would take time that grows with the square of the text.
    class Line
      # @param inline [Array<Hash>]
      def initialize(inline)
        @inline = inline
        @words = inline.map { |node| Document::Schema::NODES.fetch(node["type"]).text(node) }
        @text = @words.join
      end

      # @yieldparam a [Hash] a node
      # @yieldparam b [Hash] the next
      # @yieldreturn [Boolean] whether they belong together
      # @return [Array<Array(Array<Hash>, Integer, Integer)>] nodes that belong together, where they begin and end
      def runs(&together)
        ends = @words.map(&:bytesize).inject([ 0 ]) { |all, size| all << (all.last + size) }
        places = @inline.each_index.chunk_while { |i, j| together.call(@inline[i], @inline[j]) }
        places.map { |run| [ @inline.values_at(*run), ends[run.first], ends[run.last + 1] ] }
      end

      def label(from, to)
        @text.byteslice(from, to - from)
      end

      # @return [String] the stretch with whole words to either side, on one line
      def around(from, to)
        first = [ from - (4 * CONTEXT), 0 ].max # a character has at most four bytes
        before, whole_before = cut(@text.byteslice(first, from - first).scrub("").reverse, first.zero?)
        after, whole_after = cut(@text.byteslice(to, 4 * CONTEXT).scrub(""), to + (4 * CONTEXT) >= @text.bytesize)
        words = "#{before.reverse}#{label(from, to)}#{after}".tr("\n", " ").strip
        "#{"… " unless whole_before}#{words}#{" …" unless whole_after}"
      end

      private

      # @param text [String] from the stretch away
      # @param all [Boolean] whether there is no more of it
      # @return [Array(String, Boolean)] what is shown of it, and whether that is all
      def cut(text, all)
        return [ text, true ] if all && text.length <= CONTEXT

        near = text[0, CONTEXT]
        space = near.rindex(/\s/)
        [ space ? near[0, space] : near, false ]
      end
    end
    private_constant :Line
  end
end
