module Zuhause
  module Exchange
    # Texts from elsewhere bear their title as their first heading; here a page's title stands outside of its text.
    module Entitled
      module_function

      FEW = 25 # words that may stand before it
      NUMBER = /\A(?:(?:chapter|appendix|section|part|kapitel|anhang|abschnitt|teil)\s+(?:[a-z]|\d+(?:\.\d+)*)|\d+(?:\.\d+)*)[\s.:)–—-]+/i
      FILE = /\.\p{Alnum}{1,5}\z/
      WORD = /[\p{L}\p{N}]{3,}/

      # @param doc [Hash] a document in normal form
      # @param fallback [String] a title for a text that does not begin with one; a heading further down that it begins with is meant by it
      # @param told [Boolean] whether the text itself says that; else it is but the name of its file, and gives way to a heading
      # @return [Array(String, Hash)] the title, cut to what titles may be, and the document without it, the headings below it
      #   one level higher where it was the only one of its level
      def split(doc, fallback:, told: true)
        doc = begun(doc)
        return [ clean(fallback), beneath(doc) ] if told && again?(doc["content"].first, fallback)

        tops = Document::Walk.blocks(doc).select { |node| top?(node) }
        return [ clean(fallback), doc ] if told && parts?(tops, fallback)

        only = tops.one?
        at = doc["content"].index { |node| top?(node) } or return [ clean(fallback), doc ]
        title = Document::Text.of(doc["content"][at]).strip
        return [ clean(fallback), doc ] if title.empty? || !(at.zero? || (only && (!told || clean(fallback).start_with?(clean(title))) && few?(doc["content"].first(at))))

        rest = doc["content"].each_with_index.filter_map { |node, i| only ? raised(node, 1) : node unless i == at }
        [ clean(title), doc.merge("content" => rest.empty? ? Document.empty["content"] : rest) ]
      end

      # Several of the first level that are counted are parts of what is called otherwise. So is one that has no word of that, if it is
      # counted or one of several.
      def parts?(tops, title)
        return true if tops.size > 1 && counted?(tops.first(2))

        (tops.size > 1 || counted?(tops)) && apart?(tops.first, title)
      end
      private_class_method :parts?

      def counted?(tops)
        tops.any? && tops.all? { |node| Document::Text.of(node).strip.match?(NUMBER) }
      end
      private_class_method :counted?

      # It has no word of the title, if that is one and not the name of a file.
      def apart?(node, title)
        return false if title.match?(FILE) || !title.strip.match?(/\s/)

        one, other = [ Document::Text.of(node), title ].map { |words| words.downcase.scan(WORD) }
        !one.empty? && !one.intersect?(other)
      end
      private_class_method :apart?

      # What divides nothing from the rest goes.
      def begun(doc)
        content = doc["content"].drop_while { |node| node["type"] == "divider" }
        content.empty? || content.size == doc["content"].size ? doc : doc.merge("content" => content)
      end
      private_class_method :begun

      # A heading below the first level says once more what the title does, perhaps counted otherwise.
      def again?(node, title)
        return false unless node["type"] == "heading" && !top?(node)

        one, other = [ Document::Text.of(node), title ].map { |words| clean(words).sub(NUMBER, "") }
        !one.empty? && one == other
      end
      private_class_method :again?

      # Without its first heading, those below it higher where none stands beside it.
      def beneath(doc)
        first, *rest = doc["content"]
        return Document.empty if rest.empty?

        levels = Document::Walk.blocks({ "type" => "doc", "content" => rest }).filter_map { |node| level(node) if node["type"] == "heading" }
        by = levels.empty? || levels.min <= level(first) ? 0 : level(first)
        doc.merge("content" => by.zero? ? rest : rest.map { |node| raised(node, by) })
      end
      private_class_method :beneath

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

      def raised(node, by)
        Document::Walk.rebuild(node) do |inner|
          next inner unless inner["type"] == "heading"

          attrs = (inner["attrs"] || {}).merge("level" => level(inner) - by)
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
