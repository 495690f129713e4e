module Zuhause
  module Markup
    # Blocks that neither CommonMark nor GFM has are written between fences, each a paragraph of its own:
    #
    #     ::: fold {#k3j2h1g0 title="On Sundays"}
    #
    #     The blocks inside.
    #
    #     :::
    #
    # What holds nothing is one paragraph of two lines. Ids stand first, as in {Trailer}.
    module Fence
      LEAVES = Document::Schema::NODES.values.select { |type| type.block? && type.marks && (type.leaf? || type.content.min.zero?) }.map(&:name).freeze
      CONTAINERS = Document::Schema::NODES.values.select { |type| type.block? && !type.leaf? && type.marks }.map(&:name).freeze
      VALUE = /"(?:[^"\\]|\\.)*"/
      OPENING = /\A::: (?<name>[a-z_]+)(?: \{(?<ids>(?:#[a-z0-9]{8})?(?: ?\^(?:[a-z0-9]{8})?)*)(?<attrs>(?: ?[a-z]+=#{VALUE})*)\})?(?<leaf>\n:::)?\z/
      CLOSING = ":::".freeze

      # A fence's line as it was read.
      Line = Struct.new(:name, :own, :around, :attrs, :leaf, :text, :line, keyword_init: true) # text: the paragraph that it is; line: where

      module_function

      # @param node [Hash]
      # @param ids [String, nil] as {Trailer.write} gives them
      # @return [String] the opening line
      def opening(node, ids)
        attrs = Document::Schema::NODES.fetch(node["type"]).attrs.keys.filter_map do |name|
          value = node.dig("attrs", name)
          %(#{name}="#{text(value)}") unless name == "id" || value.nil?
        end
        inside = [ ids&.delete_prefix("{")&.delete_suffix("}"), *attrs ].compact.join(" ")
        inside.empty? ? "::: #{node["type"]}" : "::: #{node["type"]} {#{inside}}"
      end

      # @param text [String] a paragraph's text, escapes still protected
      # @return [Line, nil] nil if it opens nothing
      def read(text)
        match = OPENING.match(text) or return
        return unless (match[:leaf] ? LEAVES : CONTAINERS).include?(match[:name])

        own = match[:ids].to_s[/#([a-z0-9]{8})/, 1]
        around = match[:ids].to_s.scan(/\^([a-z0-9]{8})?/).flatten
        Line.new(name: match[:name], own: own, around: around, attrs: attrs(match[:name], match[:attrs].to_s), leaf: !match[:leaf].nil?)
      end

      # Written so that neither the quotes around it nor Markdown can be hurt by it.
      def text(value)
        value = value.is_a?(String) ? value : JSON.generate(value)
        InlineWriter.write([ { "type" => "text", "text" => value.gsub(/["\\]/) { |char| "\\#{char}" } } ])
      end
      private_class_method :text

      # Only attributes that the block has and values that it may have; others are left out.
      def attrs(name, written)
        type = Document::Schema::NODES.fetch(name)
        written.scan(/([a-z]+)=(#{VALUE})/).each_with_object({}) do |(key, quoted), found|
          attr = type.attrs[key] or next
          value = Escapes.restore(quoted[1..-2]).gsub(/\\(.)/, '\1')
          value = [ value, parsed(value) ].find { |candidate| attr.allows?(candidate) }
          found[key] = value unless value.nil?
        end
      end
      private_class_method :attrs

      def parsed(value)
        JSON.parse(value)
      rescue JSON::ParserError
        nil
      end
      private_class_method :parsed
    end
  end
end
