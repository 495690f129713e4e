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
        named(block, block) + inside
      end
    end

    # Lets links lead elsewhere, as those among copied pages must.
    #
    # @param doc [Hash] a document in normal form
    # @yieldparam target [Target] of each link
    # @yieldreturn [Target] where it is to lead
    # @return [Hash] the document with those targets
    def retarget(doc, &lead)
      Document::Walk.rebuild(doc) do |node|
        node = Document::Schema::NODES.fetch(node["type"]).led(node, &lead)
        next node unless target_of(node)

        node.merge("marks" => node["marks"].map do |mark|
          next mark unless mark["type"] == "link"

          mark.merge("attrs" => mark["attrs"].merge("target" => lead.call(Target.parse(mark["attrs"]["target"])).to_s))
        end)
      end
    end

    # @param node [Hash] an inline node
    # @return [String, nil] the target of the link it is part of
    def target_of(node)
      node["marks"]&.find { |mark| mark["type"] == "link" }&.dig("attrs", "target")
    end

    # What the text of a block points to, and what stands at its foot.
    def in_textblock(block)
      inline = block["content"] || []
      linked(inline, block) + inline.flat_map { |node| named(node, block) } + inline.flat_map { |node| node["content"] ? linked(node["content"], node, block) : [] }
    end
    private_class_method :in_textblock

    # @param around [Hash] whose text it is
    # @param block [Hash] that it stands in
    def linked(inline, around, block = around)
      return [] if inline.none? { |node| target_of(node) }

      text = Document::Text.of(around)
      offset = 0
      inline.chunk_while { |a, b| target_of(a) && target_of(a) == target_of(b) }.filter_map do |run|
        label = run.map { |node| Document::Schema::NODES.fetch(node["type"]).text(node) }.join
        start = offset
        offset += label.length
        target = target_of(run.first) && Target.parse(target_of(run.first)) or next
        Reference.new(target: target, use: :link, block_id: block.dig("attrs", "id"), label: label.strip, context: excerpt(text, start, label.length))
      end
    end
    private_class_method :linked

    # What a node points to by its attributes.
    def named(node, block)
      Document::Schema::NODES.fetch(node["type"]).targets(node).map do |target, use, label|
        Reference.new(target: target, use: use, block_id: block.dig("attrs", "id"), label: label, context: excerpt(Document::Text.of(block), 0, 0))
      end
    end
    private_class_method :named

    def excerpt(text, start, length)
      first = [ start - CONTEXT, 0 ].max
      last = [ start + length + CONTEXT, text.length ].min
      first = text.index(/\s/, first) || first if first.positive?
      last = text.rindex(/\s/, last) || last if last < text.length
      words = text[first...[ last, start + length ].max].tr("\n", " ").strip
      "#{"… " if first.positive?}#{words}#{" …" if last < text.length}"
    end
    private_class_method :excerpt
  end
end
