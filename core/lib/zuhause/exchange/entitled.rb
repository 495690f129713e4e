module Zuhause
  module Exchange
    # Texts from elsewhere bear their title as their first heading; here a page's title stands outside of its text.
    module Entitled
      module_function

      FEW = 25 # words that may stand before it

      # @param doc [Hash] a document in normal form
      # @param fallback [String] a title for a text that does not begin with one; a heading further down that it begins with is meant by it
      # @param told [Boolean] whether the text itself says that; else it is but the name of its file, and gives way to a heading
      # @return [Array(String, Hash)] the title, cut to what titles may be, and the document without it, the headings below it
      #   one level higher where it was the only one of its level
      def split(doc, fallback:, told: true)
        only = Document::Walk.blocks(doc).one? { |node| top?(node) }
        at = doc["content"].index { |node| top?(node) } or return [ clean(fallback), doc ]
        title = Document::Text.of(doc["content"][at]).strip
        return [ clean(fallback), doc ] if title.empty? || !(at.zero? || (only && (!told || clean(fallback).start_with?(clean(title))) && few?(doc["content"].first(at))))

        rest = doc["content"].each_with_index.filter_map { |node, i| only ? raised(node) : node unless i == at }
        [ clean(title), doc.merge("content" => rest.empty? ? Document.empty["content"] : rest) ]
      end

      def top?(node)
        node["type"] == "heading" && level(node) == 1
      end
      private_class_method :top?

      def few?(nodes)
        Document::Text.words({ "type" => "doc", "content" => nodes }) <= FEW
      end
      private_class_method :few?

      def level(heading)
        heading.dig("attrs", "level") || 1
      end
      private_class_method :level

      def raised(node)
        Document::Walk.rebuild(node) do |inner|
          next inner unless inner["type"] == "heading"

          attrs = (inner["attrs"] || {}).merge("level" => level(inner) - 1)
          attrs.delete("level") if attrs["level"] == 1
          attrs.empty? ? inner.except("attrs") : inner.merge("attrs" => attrs)
        end
      end
      private_class_method :raised

      def clean(title)
        title = Document::Title.clean(title)
        title.length > Document::Title::LENGTH.end ? "#{title[0, Document::Title::LENGTH.end - 1].strip}…" : title
      end
      private_class_method :clean
    end
  end
end
