module Zuhause
  module Exchange
    # What a page says of itself, and its outline tells: lists of nothing but links to headings of the same text, in the words with
    # which these begin; and the signs beside headings that lead to where they stand.
    module OwnContents
      FEW = 3 # words that tell of such a list
      HEADINGS = %w[h1 h2 h3 h4 h5 h6].freeze
      IN_ORDER = "//*[#{[ *HEADINGS, "ul", "ol", "dl" ].map { |name| "self::#{name}" }.join(" or ")}]".freeze
      WORD = /[[:alnum:]]+/
      NUMBER = /\A(?:\d+|[ivxlc]+|[a-z])\z/i

      module_function

      # @param root [Nokogiri::XML::Element] which is changed
      # @return [Array<String>] the words of the lists that are taken out
      def take_out(root)
        root.xpath("//a[starts-with(@href, '#')]").each { |link| link.unlink if !link.text.match?(WORD) && link.element_children.empty? && !link["id"] }
        lists = lists_of_links(root)
        return [] if lists.empty?

        order = root.xpath(IN_ORDER).each_with_index.to_h { |node, at| [ node, at ] }
        headings = order.keys.select { |node| HEADINGS.include?(node.name) }
        named = by_beginnings(headings)
        told_of = Set.new
        lists.each_with_object([]) do |(list, links), told|
          led = links.map { |link| named[words(link)] }
          next unless led.all? && unnumbered(list) == links.sum { |link| unnumbered(link) } && contents?(list, led, headings, told_of, order)

          told_of.merge(led) # a further list goes on where this one ended
          told << remove(list)
        end
      end

      # @return [Array<Array(Nokogiri::XML::Element, Nokogiri::XML::NodeSet)>] with all links in them
      def lists_of_links(root)
        lists = root.xpath("//*[(self::ul or self::ol or self::dl) and not(ancestor::ul or ancestor::ol or ancestor::dl)]")
        lists.map { |list| [ list, list.css("a[href^='#']") ] }.select { |list, links| links.any? && links.size == list.css("a[href]").size }
      end
      private_class_method :lists_of_links

      # It stands before all headings of the level that it names, within what is around them, or it names them all. What refers to parts
      # beside that in which it stands says more than the outline.
      # @param led [Array<Nokogiri::XML::Element>] the headings that it leads to
      # @param told_of [Set<Nokogiri::XML::Element>] those that such a list names already
      # @param order [Hash{Nokogiri::XML::Element=>Integer}] where each stands
      def contents?(list, led, headings, told_of, order)
        level = led.map(&:name).min
        own = head_of(around(list))
        others = ->(heading) { heading != own && heading.parent && heading.name <= level }
        at = headings.bsearch_index { |heading| order[heading] > order[list] } || headings.size
        before = (at - 1).downto(0).lazy.map { |i| headings[i] }.find(&others)
        below = before.nil? || before.name < level
        return below && led.first == (at...headings.size).lazy.map { |i| headings[i] }.find { |heading| others.(heading) && !told_of.include?(heading) } if led.one?

        below ? led.all? { |heading| order[heading] > order[list] } : (headings - led - [ own ]).none? { |heading| heading.parent && heading.name == level }
      end
      private_class_method :contents?

      # @return [Hash{Array<String>=>Nokogiri::XML::Element}] the first heading that begins with each of the words
      def by_beginnings(headings)
        headings.each_with_object({}) do |heading, found|
          said = words(heading)
          (1..said.size).each { |count| found[said.first(count)] ||= heading }
        end
      end
      private_class_method :by_beginnings

      def remove(list)
        whole = around(list)
        said(whole).join(" ").tap do
          head_of(whole)&.unlink
          whole.unlink
        end
      end
      private_class_method :remove

      # Numbers count as much before a heading as not.
      def words(node)
        said(node).drop_while { |word| word.match?(NUMBER) }
      end
      private_class_method :words

      def unnumbered(node)
        said(node).count { |word| !word.match?(NUMBER) }
      end
      private_class_method :unnumbered

      def said(node)
        node.xpath(".//text()").map(&:text).join(" ").scan(WORD)
      end
      private_class_method :said

      # The heading of a list, if nothing else stands below it.
      def head_of(list)
        before, after = list.previous_element, list.next_element
        return unless before && HEADINGS.include?(before.name) && said(before).size <= FEW && between(before, list).none?

        before if after.nil? ? between(list, nil).none? : HEADINGS.include?(after.name) && after.name <= before.name
      end
      private_class_method :head_of

      # @return [Array<Nokogiri::XML::Node>] bare words between two that stand beside each other
      def between(one, other)
        found = []
        node = one
        found << node while (node = node.next_sibling) && node != other
        found.select { |each| each.text.match?(WORD) }
      end
      private_class_method :between

      # What holds nothing else but the word for it.
      def around(list)
        list = list.parent while list.parent.element? && %w[div nav section aside details].include?(list.parent.name) && said(list.parent).size - said(list).size <= FEW && list.parent.css("img").empty?
        list
      end
      private_class_method :around
    end
  end
end
