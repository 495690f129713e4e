module Zuhause
  module Links
    # Puts links on words of a text.
    module Linking
      module_function

      # @param document [Hash] in normal form
      # @param places [Array<Names::Place>] that do not overlap; +id+: what to link to, as documents hold it
      # @return [Hash] the document with these links, in normal form
      def put(document, places)
        by_block = places.group_by(&:block)
        Document::Normal.form(in_blocks(document, by_block)).first
      end

      # @param label [String]
      # @param target [String] as documents hold it
      # @return [Hash] a paragraph that is a link alone
      def line(label, target)
        { "type" => "paragraph", "content" => [ { "type" => "text", "text" => label, "marks" => [ { "type" => "link", "attrs" => { "target" => target } } ] } ] }
      end

      def in_blocks(node, by_block)
        content = node["content"] or return node
        there = by_block[node.dig("attrs", "id")]
        return node.merge("content" => content.map { |child| in_blocks(child, by_block) }) unless there && Document::Schema::NODES.fetch(node["type"]).textblock?

        node.merge("content" => linked(content, there))
      end
      private_class_method :in_blocks

      def linked(nodes, places)
        from = 0
        nodes.flat_map do |node|
          start, type = from, Document::Schema::NODES.fetch(node["type"])
          next [ node ] if type.apart?

          from += type.text(node).length
          node["type"] == "text" ? pieces(node, start, places) : [ node ]
        end
      end
      private_class_method :linked

      # A text node cut where links begin and end.
      def pieces(node, start, places)
        text = node["text"]
        cuts = places.flat_map { |place| [ place.start - start, place.start + place.length - start ] }.select { |cut| cut.between?(1, text.length - 1) }
        [ 0, *cuts.sort.uniq, text.length ].each_cons(2).map do |from, upto|
          place = places.find { |one| one.start <= start + from && start + upto <= one.start + one.length }
          part = node.merge("text" => text[from...upto])
          place ? part.merge("marks" => [ *node["marks"].to_a.reject { |mark| mark["type"] == "link" }, { "type" => "link", "attrs" => { "target" => place.id } } ]) : part
        end
      end
      private_class_method :pieces
    end
  end
end
