module Zuhause
  module Markup
    # Items that can be ticked, as programs put them on the clipboard: each says so by its role and state (WAI-ARIA 1.2, checkbox), with
    # a picture of the box beside it. They become items with a tick box, in the parsed HTML, before that is read.
    module OfficeTasks
      module_function

      # @param root [Nokogiri::XML::Node] changed in place
      def mend(root)
        root.css("li[role=checkbox][aria-checked]").each do |item|
          item.element_children.each { |child| child.unlink if child.name == "img" && child["src"].to_s.start_with?("data:") }
          box = item.document.create_element("input", type: "checkbox")
          box["checked"] = "" if item["aria-checked"] == "true"
          item.children.any? ? item.children.first.add_previous_sibling(box) : item.add_child(box)
        end
      end
    end
  end
end
