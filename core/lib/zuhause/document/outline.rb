module Zuhause
  module Document
    # The headings of a document and the sections they open.
    module Outline
      Heading = Struct.new(:id, :level, :text, keyword_init: true)
      Section = Struct.new(:heading, :text, keyword_init: true) # heading is nil for what stands before the first

      module_function

      # @param doc [Hash] a document
      # @return [Array<Heading>] headings that have text, in document order, wherever they are nested
      def headings(doc)
        Walk.blocks(doc).filter_map { |node| heading(node) if node["type"] == "heading" }
      end

      # @param doc [Hash] a document
      # @return [Array<Section>] the text before the first heading (always first, perhaps empty), then one
      #   section for each heading with the text down to the next one
      def sections(doc)
        sections = [ Section.new(heading: nil, text: []) ]
        Walk.blocks(doc).each do |node|
          if node["type"] == "heading" && (heading = heading(node))
            sections << Section.new(heading: heading, text: [])
          elsif Schema::NODES.fetch(node["type"]).textblock?
            sections.last.text << Text.of(node)
          end
        end
        sections.each { |section| section.text = section.text.reject(&:empty?).join("\n") }
      end

      def heading(node)
        text = Text.of(node).strip
        Heading.new(id: node.dig("attrs", "id"), level: node.dig("attrs", "level") || 1, text: text) unless text.empty?
      end
      private_class_method :heading
    end
  end
end
