module Zuhause
  module Exchange
    # Texts from elsewhere bear their title as their first heading; here a page's title stands outside of its text.
    module Entitled
      module_function

      # @param doc [Hash] a document in normal form
      # @param fallback [String] a title for a text that does not begin with one
      # @return [Array(String, Hash)] the title, cut to what titles may be, and the document without it, the headings below it
      #   one level higher where it was the only one of its level
      def split(doc, fallback:)
        first, *rest = doc["content"]
        title = Document::Text.of(first) if first["type"] == "heading" && level(first) == 1
        return [ clean(fallback), doc ] if title.nil? || title.strip.empty?

        rest = rest.map { |node| raised(node) } if Document::Walk.blocks(doc).count { |node| node["type"] == "heading" && level(node) == 1 } == 1
        [ clean(title), doc.merge("content" => rest.empty? ? Document.empty["content"] : rest) ]
      end

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
