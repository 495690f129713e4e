module Zuhause
  module Markup
    # Lists as office programs put them on the clipboard: paragraphs that say in their style which list and level they are
    # of, each item in a list of its own with its level as an attribute, lists beside the item that they belong to, or
    # paragraphs that merely begin with a bullet. They become lists within lists, in the parsed HTML, before that is read.
    class OfficeLists
      STYLED = /mso-list:\s*l(\d+)\s+level(\d+)/i
      MARKER = /mso-list:\s*ignore/i
      BULLET = /\A[[:space:]]*(?:[·•◦▪▫●○■□‣⁃§]|[o–](?=[[:space:]]{2}|\u00a0|\t))[[:space:]]+/
      NUMBER = /\A[[:space:]]*\(?(?:\d{1,4}|[a-z]|[ivxlc]{1,6})[.)]/i
      DEEPEST = 9

      # An item: the element that it was, how deep, of which sort, and whether it stood in one.
      Item = Struct.new(:node, :level, :ordered, :start, keyword_init: true)

      # @param root [Nokogiri::XML::Node] changed in place
      def self.mend(root)
        new.mend(root)
      end

      def mend(root)
        holders = root.css("p, ul, ol, div").map(&:parent).uniq
        holders.each { |parent| mend_children(parent) if parent.parent }
        root.css("ul > ul, ul > ol, ol > ul, ol > ol").each { |list| into_item_before(list) }
      end

      private

      def mend_children(parent)
        run = []
        parent.element_children.each do |child|
          items = items_of(child)
          next run.concat(items.map { |item| [ child, item ] }) if items.any?

          build(run)
          run = []
        end
        build(run)
      end

      # @return [Array<Item>] empty for what is no item of such a list
      def items_of(node)
        case node.name
        when "p" then [ styled(node) || bulleted(node) ].compact
        when "ul", "ol" then levelled(node)
        when "div" then node.element_children.one? && %w[ul ol].include?(node.element_children.first.name) ? levelled(node.element_children.first) : []
        else []
        end
      end

      def styled(node)
        match = node["style"].to_s.match(STYLED) or return

        marker = node.xpath(".//*[@style]").find { |inner| inner["style"].match?(MARKER) }
        sign = marker ? marker.text : node.text[NUMBER].to_s
        marker&.unlink
        Item.new(node: node, level: match[2].to_i, ordered: sign.match?(NUMBER), start: sign[/\A[[:space:]]*(\d{1,4})/, 1]&.to_i)
      end

      # How far it is set in stands in place of a level, until the run of items is known.
      def bulleted(node)
        text = node.xpath(".//text()").find { |each| !each.text.strip.empty? } or return
        return unless node.text.match?(BULLET)

        strip_bullet(node, text)
        Item.new(node: node, level: -node["style"].to_s[/margin-left:\s*([\d.]+)/i, 1].to_f, ordered: false)
      end

      def strip_bullet(node, text)
        bullet = node.text[BULLET]
        node.xpath(".//text()").each do |each|
          break if bullet.empty?

          taken = bullet[0, each.text.length]
          each.content = each.text.delete_prefix(taken)
          bullet = bullet.delete_prefix(taken)
        end
        text
      end

      def levelled(list)
        items = list.element_children
        return [] unless items.any? && items.all? { |item| item.name == "li" && level_of(item) }
        return [] if items.all? { |item| level_of(item) == 1 } && list.parent&.name != "div"

        items.each_with_index.map { |item, i| Item.new(node: item, level: level_of(item), ordered: list.name == "ol", start: i.zero? ? list["start"]&.to_i : nil) }
      end

      def level_of(item)
        (item["data-aria-level"] || item["aria-level"])&.to_i
      end

      # @param run [Array<Array(Nokogiri::XML::Node, Item)>] items that follow each other, each with what stands for it
      def build(run)
        return if run.empty?

        items = with_levels(run.map(&:last))
        place = run.first.first
        open = []
        items.each do |item|
          open.pop while open.any? && (open.last[:level] > item.level || (open.last[:level] == item.level && open.last[:ordered] != item.ordered))
          open << opened(item, open, place) if open.empty? || open.last[:level] < item.level
          open.last[:item] = open.last[:list].add_child(item_element(item))
        end
        run.map(&:first).uniq.each(&:unlink)
      end

      def opened(item, open, place)
        list = place.document.create_element(item.ordered ? "ol" : "ul")
        list["start"] = item.start.to_s if item.ordered && item.start && item.start != 1
        open.any? ? open.last[:item].add_child(list) : place.add_previous_sibling(list)
        { level: item.level, ordered: item.ordered, list: list }
      end

      def item_element(item)
        return item.node if item.node.name == "li"

        item.node.document.create_element("li").tap { |li| item.node.children.each { |child| li.add_child(child) } }
      end

      # Of paragraphs with bullets, those that are set in further stand deeper.
      def with_levels(items)
        steps = items.map(&:level).select { |level| level <= 0 }.uniq.sort.reverse.each_with_index.to_h
        items.each { |item| item.level = steps.fetch(item.level) + 1 if item.level <= 0 }
        items.each { |item| item.level = item.level.clamp(1, DEEPEST) }
      end

      def into_item_before(list)
        before = list.previous_element
        before.add_child(list) if before&.name == "li"
      end
    end
  end
end
