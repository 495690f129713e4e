module Zuhause
  module Exchange
    # What a page says of itself, and its outline tells: lists of nothing but links to headings of the same text, in the words with
    # which these begin; and the signs beside headings that lead to where they stand.
    module OwnContents
      LEAST = 2 # links
      FEW = 3 # words that tell of such a list
      HEADINGS = %w[h1 h2 h3 h4 h5 h6].freeze
      WORD = /[[:alnum:]]+/
      NUMBER = /\A(?:\d+|[ivxlc]+|[a-z])\z/i

      module_function

      # @param root [Nokogiri::XML::Element] which is changed
      def take_out(root)
        root.xpath("//a[starts-with(@href, '#')]").each { |link| link.unlink if !link.text.match?(WORD) && link.element_children.empty? && !link["id"] }
        headings = nil
        root.xpath("//*[(self::ul or self::ol or self::dl) and not(ancestor::ul or ancestor::ol or ancestor::dl)]").each do |list|
          links = list.css("a[href^='#']")
          next if links.size < LEAST || links.size < list.css("a[href]").size

          headings ||= root.css("h1, h2, h3, h4, h5, h6").flat_map { |heading| beginnings(words(heading)) }.to_set
          next unless links.all? { |link| headings.include?(words(link)) } && unnumbered(list) == links.sum { |link| unnumbered(link) }

          whole = around(list)
          head_of(whole)&.unlink
          whole.unlink
        end
      end

      def beginnings(words)
        (1..words.size).map { |count| words.first(count) }
      end
      private_class_method :beginnings

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
