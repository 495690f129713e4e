module Zuhause
  module Merging
    # Lets hold what had given way.
    class Taking
      # @param document [Hash]
      # @param other [Other]
      def initialize(document, other)
        @document, @other = document, other
      end

      # @return [Hash]
      def document
        Document.accept(Fitting.of(within(@document))).doc
      end

      private

      def within(node)
        return node unless node["content"]

        node.merge("content" => node["content"].filter_map { |child| meant?(child) ? changed(child) : within(child) })
      end

      def meant?(node)
        node.dig("attrs", "id") == @other.id
      end

      def changed(node)
        case @other.name
        when KEPT then nil
        when TYPE then typed(node)
        else with_value(node)
        end
      end

      def with_value(node)
        return node unless Document::Schema::NODES.fetch(node["type"]).attrs.key?(@other.name)

        node.merge("attrs" => node["attrs"].merge(@other.name => @other.value).compact)
      end

      # Where both are made of text, or both of blocks.
      def typed(node)
        schema = Document::Schema::NODES.fetch(@other.value)
        return node unless schema.textblock? == Document::Schema::NODES.fetch(node["type"]).textblock?

        node.merge("type" => @other.value, "attrs" => node["attrs"].select { |name, value| schema.attrs[name]&.allows?(value) })
      end
    end
  end
end
