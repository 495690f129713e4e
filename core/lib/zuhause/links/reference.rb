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
        inside = Document::Schema::NODES.fetch(block["type"]).textblock? ? in_textblock(block) + in_leaves(block) : []
        [ of_block(block), of_figure(block), *inside ].compact
      end
    end

    # Lets links lead elsewhere, as those among copied pages must.
    #
    # @param doc [Hash] a document in normal form
    # @yieldparam target [Target] of each link
    # @yieldreturn [Target] where it is to lead
    # @return [Hash] the document with those targets
    def retarget(doc)
      Document::Walk.rebuild(doc) do |node|
        next led(node, yield(Target.new(:page, node.dig("attrs", "page"), node.dig("attrs", "passage")))) if %w[live_insert page_title].include?(node["type"]) && node.dig("attrs", "page")
        next led_figure(node, yield(Target.parse(node.dig("attrs", "target")))) if node["type"] == "figure" && node.dig("attrs", "target")
        next node unless target_of(node)

        node.merge("marks" => node["marks"].map do |mark|
          next mark unless mark["type"] == "link"

          mark.merge("attrs" => mark["attrs"].merge("target" => yield(Target.parse(mark["attrs"]["target"])).to_s))
        end)
      end
    end

    def led_figure(node, target)
      node.merge("attrs" => node["attrs"].merge("target" => target.to_s))
    end
    private_class_method :led_figure

    def led(node, target)
      passage = node["type"] == "live_insert" ? { "passage" => target.block }.compact : {}
      node.merge("attrs" => node["attrs"].except("passage").merge("page" => target.value, **passage).then { |attrs| node["attrs"].keys.to_h { |key| [ key, attrs[key] ] }.compact })
    end
    private_class_method :led

    # @param node [Hash] an inline node
    # @return [String, nil] the target of the link it is part of
    def target_of(node)
      node["marks"]&.find { |mark| mark["type"] == "link" }&.dig("attrs", "target")
    end

    def in_textblock(block)
      inline = block["content"] || []
      text = Document::Text.of(block)
      offset = 0
      inline.chunk_while { |a, b| target_of(a) && target_of(a) == target_of(b) }.filter_map do |run|
        label = run.map { |node| node["text"] || "\n" }.join
        start = offset
        offset += label.length
        target = target_of(run.first) && Target.parse(target_of(run.first)) or next
        Reference.new(target: target, use: :link, block_id: block.dig("attrs", "id"), label: label.strip,
                      context: excerpt(text, start, label.length))
      end
    end
    private_class_method :in_textblock

    LEAVES = { "mention" => [ :mention, :person ], "page_title" => [ :title, :page ], "cite" => [ :cite, :source ] }.freeze
    private_constant :LEAVES

    def in_leaves(block)
      (block["content"] || []).filter_map do |node|
        use, kind = LEAVES[node["type"]]
        id = kind && node.dig("attrs", kind.to_s)
        Reference.new(target: Target.new(kind, id), use: use, block_id: block.dig("attrs", "id"), label: "", context: excerpt(Document::Text.of(block), 0, 0)) if id
      end
    end
    private_class_method :in_leaves

    def of_block(block)
      attrs = block["attrs"] || {}
      target, use = case block["type"]
      when "live_insert" then attrs["page"] && [ Target.new(:page, attrs["page"], attrs["passage"]), :insert ]
      when "figure", "embed" then attrs["file"] && [ Target.new(:file, attrs["file"]), :file ]
      when "task" then attrs["assignee"] && [ Target.new(:person, attrs["assignee"]), :task ]
      end
      Reference.new(target: target, use: use, block_id: attrs["id"], label: "", context: Document::Text.of(block)[0, CONTEXT]) if target
    end
    private_class_method :of_block

    # Where a picture or a card leads.
    def of_figure(block)
      target = %w[figure embed].include?(block["type"]) && Target.parse((block.dig("attrs", "target") || block.dig("attrs", "address")).to_s) or return

      Reference.new(target: target, use: :link, block_id: block.dig("attrs", "id"), label: (block.dig("attrs", "alt") || block.dig("attrs", "title")).to_s, context: Document::Text.of(block)[0, CONTEXT])
    end
    private_class_method :of_figure

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
