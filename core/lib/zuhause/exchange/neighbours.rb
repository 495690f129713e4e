module Zuhause
  module Exchange
    # Links that lead from one page of a manual to the next, back, up and to the front of it, told by what they are called. At the
    # beginning and the end of a page they belong to the manual: here the plan does what they did. Those that lead back to where a page
    # begins stand anywhere in it.
    module Neighbours
      PART = "(?: (?:chapter|section|page|topic|part))?".freeze
      RELS = { /\A(?:next|forward)#{PART}\z/ => "next", /\A(?:prev|previous|back)#{PART}\z/ => "prev", /\Aup#{PART}\z/ => "up" }.freeze
      AWAY = /\A(?:(?:table of )?contents|toc|home|index|top|first#{PART}|last#{PART})\z/
      UP_AGAIN = /\b(?:top|beginning|anfang|oben|haut)\b|\A\z/
      WORD = /[[:alnum:]]/
      LONGEST = 40 # characters of a name
      MOST = 40 # links at an edge
      MOST_UP = 2000 # links back to where a page begins

      module_function

      # @param link [Nokogiri::XML::Element]
      # @return [String, nil] "next", "prev" or "up"
      def rel(link)
        called = name(link)
        RELS.find { |names, _rel| names.match?(called) }&.last
      end

      # @param root [Nokogiri::XML::Element] which is changed
      # @return [Array<String>] what the links that are taken out are called, each once
      def take_out(root)
        leaves = (root.at_css("body") || root).xpath(".//text()[not(parent::script or parent::style)] | .//img").reject { |leaf| leaf.text? && !leaf.text.match?(WORD) }
        edges = [ leaves, leaves.reverse ].flat_map { |order| at_edge(order) }.uniq.each { |link| remove(link) }
        (edges + up_again(root).each { |link| remove(link) }).map { |link| name(link) }.reject(&:empty?).uniq
      end

      # Called so, or the same several times.
      def up_again(root)
        own = root.xpath("//a[starts-with(@href, '#')]").select { |link| by_itself?(link) }
        return [] if own.empty?

        elsewhere = names(root, "//") - begin_of(root)
        links = own.reject { |link| elsewhere.include?(link["href"].delete_prefix("#")) }
        times = links.map { |link| [ link["href"], name(link) ] }.tally
        links.select { |link| UP_AGAIN.match?(name(link)) || times[[ link["href"], name(link) ]] > 1 }.first(MOST_UP)
      end
      private_class_method :up_again

      # @return [Set<String>] names of what has no words before it
      def begin_of(root)
        first = (root.at_css("body") || root).xpath(".//text()[not(parent::script or parent::style)]").find { |text| text.text.match?(WORD) }
        first ? names(first, "ancestor::") | names(first, "preceding::") : Set.new
      end
      private_class_method :begin_of

      def names(node, axis)
        node.xpath("#{axis}*/@id | #{axis}a/@name").to_set(&:value)
      end
      private_class_method :names

      def at_edge(leaves)
        links = leaves.lazy.map { |leaf| around(leaf) }.take_while { |link| link && by_itself?(link) && (rel(link) || AWAY.match?(name(link))) }.first(MOST)
        links.any? { |link| rel(link) } ? links : []
      end
      private_class_method :at_edge

      # Not part of a sentence.
      def by_itself?(link)
        [ link.previous_sibling, link.next_sibling ].none? { |beside| beside&.text? && beside.text.match?(WORD) }
      end
      private_class_method :by_itself?

      # Without arrows and brackets.
      def name(link)
        words = link.text.strip.empty? ? link.at_css("img[alt]")&.[]("alt").to_s : link.text
        words.length > 2 * LONGEST ? "" : words.downcase.scan(/[[:alnum:]]+/).join(" ")[0, LONGEST]
      end
      private_class_method :name

      # @return [Nokogiri::XML::Element, nil] the link to another page that it stands in
      def around(leaf)
        node = leaf.parent
        node = node.parent until !node.element? || (node.name == "a" && node["href"])
        node if node.element? && !node["href"].start_with?("#")
      end
      private_class_method :around

      # With what holds nothing else.
      def remove(link)
        node = link
        node = node.parent while node.parent.element? && !%w[body html].include?(node.parent.name) && alone?(node)
        node.unlink
      end
      private_class_method :remove

      def alone?(node)
        node.parent.children.all? { |other| other == node || !other.text.match?(WORD) && !(other.element? && (other.name == "img" || other.at_css("img"))) }
      end
      private_class_method :alone?
    end
  end
end
