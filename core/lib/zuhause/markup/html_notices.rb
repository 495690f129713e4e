module Zuhause
  module Markup
    # Notices of an HTML text: what has the role for it (WAI-ARIA 1.2: note; DPUB-ARIA 1.1: doc-notice, doc-tip), or a class that
    # documentation tools give it. For {HTMLReader}.
    module HTMLNotices
      ROLES = { "note" => "note", "doc-notice" => "note", "doc-tip" => "tip" }.freeze
      CLASSES = { "note" => "note", "notice" => "note", "info" => "note", "important" => "note", "seealso" => "note", "admonition" => "note",
                  "tip" => "tip", "hint" => "tip", "warning" => "caution", "caution" => "caution", "attention" => "caution", "danger" => "danger", "error" => "danger" }.freeze
      HOLDERS = %w[div section aside blockquote p].freeze
      # What names a notice, when it says no more than its tone does.
      NAMES = { "note" => %w[note notice info important], "tip" => %w[tip hint], "caution" => %w[caution warning attention], "danger" => %w[danger error] }.freeze

      private

      # @return [String, nil]
      def tone(node)
        return unless HOLDERS.include?(node.name)

        told = node["class"].to_s.downcase.split.filter_map { |name| CLASSES[name] }
        (told - [ "note" ]).first || told.first || ROLES[node["role"].to_s.split.first] || (CLASSES[node["epub:type"].to_s] if node.name == "aside")
      end

      def notice(node, tone, depth, marks)
        nested(node, depth, 1, marks) do
          title = node.element_children.first
          title.unlink if title && NAMES.fetch(tone).include?(title.text.downcase.delete(":.").strip)
          content = node.name == "p" ? paragraph(line(node, marks)) : blocks(node, depth + 1, within(node, marks))
          content.empty? ? [] : [ { "type" => "notice", "attrs" => { "tone" => tone }, "content" => held("notice", titled(content)) } ]
        end
      end

      # What stands above the text of a notice is no heading of the page.
      def titled(content)
        first, *rest = content
        return content unless first["type"] == "heading"

        bold = (first["content"] || []).map { |text| text.merge("marks" => [ { "type" => "strong" }, *text["marks"] ].uniq { |mark| mark["type"] }) }
        [ { "type" => "paragraph", "attrs" => first["attrs"].slice("id"), "content" => bold }, *rest ]
      end
    end
  end
end
