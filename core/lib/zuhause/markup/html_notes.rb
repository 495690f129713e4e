module Zuhause
  module Markup
    # What stands at the foot of an HTML text (DPUB-ARIA 1.1: doc-noteref, doc-endnotes, doc-backlink; and the classes that are
    # customary where those are missing). It is read where its number stands. For {HTMLReader}.
    module HTMLNotes
      FEET = "[role~=doc-endnotes], [role~=doc-footnotes], .footnotes, .footnote-list, .endnotes".freeze
      APART = "[role~=doc-footnote][id], [role~=doc-endnote][id], aside.footnote[id], div.footnote[id], p.footnote[id]".freeze
      BACK = "a[role~=doc-backlink], a[class*=back]".freeze

      private

      # Takes the notes that something refers to out of the text.
      def look_at_the_foot(root)
        @notes = {}.compare_by_identity
        items = items(root)
        return if items.empty?

        inside = Set.new.compare_by_identity.merge(items.values)
        references = root.css("a[href^='#']").select { |link| items.key?(named(link)) && link.ancestors.none? { |around| inside.include?(around) } }
        references.group_by { |link| named(link) }.each do |name, links|
          links.first(Footnotes::MOST_COPIES).each { |link| @notes[link] = items.fetch(name) }
          report(:footnote, name) if links.size > Footnotes::MOST_COPIES
        end
        noted = @notes.values.uniq(&:object_id)
        back = references.flat_map { |link| [ link["id"], link.parent["id"] ] }.compact.to_set
        noted.each { |item| take_out(item, back) }
        root.css(FEET).each { |foot| foot.unlink if foot.css("li, [id]").empty? }
      end

      def items(root)
        [ *MutualNotes.found(root), *root.css(FEET).css("li[id]"), *root.css(APART) ].to_h { |item| [ item["id"], item ] }
      end

      # @return [String] the id that a link leads to
      def named(link)
        link["href"].delete_prefix("#")
      end

      def take_out(item, back)
        item.css("a[href^='#']").each { |link| link.unlink if back.include?(named(link)) }
        item.css(BACK).each(&:unlink)
        around = item.parent
        item.unlink
        around.unlink if around.element? && around.name == "div" && emptied?(around)
      end

      # A line drawn above the notes goes with the last of them.
      def emptied?(box)
        box.text.strip.empty? && box.css("img, li, table").empty?
      end

      def note?(node)
        @notes.key?(node) && !@in_note
      end

      # More than lines of text cannot be kept at the foot.
      def footnote(node)
        @in_note = true
        blocks = blocks(@notes.fetch(node), 1, [])
        report(:misplaced, "footnote") if blocks.any? { |block| block["type"] != "paragraph" }
        lines = blocks.map { |block| block["type"] == "paragraph" ? kept_at_the_foot(block["content"] || []) : [ { "type" => "text", "text" => Document::Text.of(block).tr("\n", " ") } ] }
        { "type" => "footnote", "content" => lines.flat_map { |line| [ { "type" => "hard_break" }, *line ] }.drop(1) }
      ensure
        @in_note = false
      end

      def kept_at_the_foot(line)
        line.select { |inline| %w[text hard_break].include?(inline["type"]) }
      end
    end
  end
end
