module Zuhause
  module Merging
    # What has lost all that stood in it goes, and what may not stand where it was put becomes what may (a list's item among
    # tasks), or gives way to what stands in it.
    class Fitting
      ITEMS = { "bullet_list" => "list_item", "ordered_list" => "list_item", "task_list" => "task" }.freeze
      MOST_COLUMNS = 3

      # @param document [Hash]
      # @return [Hash]
      def self.of(document)
        new.fit(document)
      end

      def fit(document)
        content = (document["content"] || []).flat_map { |child| block(child, document) }
        document.merge("content" => content.empty? ? [ { "type" => "paragraph" } ] : content)
      end

      private

      # @return [Array<Hash>] what stands in its place
      def block(node, parent)
        type = Document::Schema::NODES.fetch(node["type"])
        return fitted(node, parent) if type.textblock? || type.leaf?

        children = (node["content"] || []).flat_map { |child| block(child, node) }
        children = [ filler(node) ] if children.empty? && type.content.names.intersect?(%w[block paragraph])
        return [] if children.empty?

        return unwrapped(children, parent) if node["type"] == "columns" && children.size < 2

        fitted(node.merge("content" => node["type"] == "columns" ? columns(children) : children), parent)
      end

      def filler(node)
        { "type" => "paragraph", "attrs" => { "id" => Joined.id_from(node.dig("attrs", "id").to_s) } }
      end

      def columns(all)
        all.drop(MOST_COLUMNS).reduce(all.first(MOST_COLUMNS)) { |kept, column| [ *kept[0...-1], kept.last.merge("content" => kept.last["content"] + column["content"]) ] }
      end

      def unwrapped(children, parent)
        children.flat_map { |column| column["content"] || [] }.flat_map { |child| fitted(child, parent) }
      end

      def fitted(node, parent)
        content = Document::Schema::NODES.fetch(parent["type"]).content
        return [ node ] if Document::Schema.fits?(node["type"], content)

        item = ITEMS[parent["type"]]
        return [ as_item(node, item) ] if item

        Markup::Fit.into(parent["type"], [ node ]) { nil } || []
      end

      def as_item(node, item)
        return node.merge("type" => item, "attrs" => node["attrs"].slice("id")) if ITEMS.value?(node["type"])

        { "type" => item, "content" => [ node ] }
      end
    end
  end
end
