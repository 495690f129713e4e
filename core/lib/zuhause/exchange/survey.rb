require "digest"
require "nokogiri"

module Zuhause
  module Exchange
    # What an HTML text tells of itself and of its place among others, before it is read: its title and language, what it says
    # comes before, after and above it (HTML 5, 4.6.7), lists of links, and the parts of it that others may have as well.
    class Survey
      # +key+ is equal for parts of equal words and pictures, +shape+ for those of the same element, id and classes, nil where what
      # the page is about stands within; +from+ and +to+: of how many words; +linked+: how many of those are links; +name+: whether it stands where a title
      # does.
      Part = Struct.new(:key, :shape, :from, :to, :linked, :words, :name, keyword_init: true)
      # +items+ are pairs of depth, from 0, and address; +contents+: whether it says that it tells of what there is; +within+: keys and
      # shapes of the parts that it lies in.
      List = Struct.new(:items, :contents, :within, keyword_init: true)

      PARTS = %w[div nav header footer aside section table ul ol dl p form center address].to_set.freeze
      QUIET = %w[script style template noscript].to_set.freeze
      MOST_PARTS = 60 # from the beginning, and from the end
      MOST_ITEMS = 6000
      LEAST_LINKS = 3
      LONGEST_TITLE = 500 # characters
      FEW = 60 # words of a page that only leads on to another
      ON = /\A\s*\d+(?:\.\d*)?\s*[;,]\s*url\s*=\s*["']?([^"'\s]{1,500})(?=["'\s]|\z)/i
      BEFORE = 14 # words that may stand before a title
      AT_EDGES = 30 # links, at the beginning and at the end of a page
      WORD = /[[:alnum:]]+/
      MAIN = %w[main article].freeze
      CONTENTS = /(?:\A|[\s_-])(?:toc|toctree|contents|nav|navigation|sidebar|menu|sitemap|summary)(?:\z|[\s_-])/i
      CRUMBS = /(?:\A|[\s_-])(?:bread)?crumbs?(?:\z|[\s_-])/i
      RELS = { "next" => "next", "prev" => "prev", "previous" => "prev", "up" => "up", "contents" => "contents", "toc" => "contents" }.freeze

      # @param html [String] UTF-8
      # @return [Survey]
      # @raise [Document::Invalid] for more than can be read
      def self.of(html)
        Markup::HTMLMeasure.judge(html)
        new(Nokogiri::HTML5.parse(Document::Normal.clean(html), max_tree_depth: Markup::HTMLReader::DEEPEST, max_attributes: Document::Limits::ATTRIBUTES).root)
      rescue ArgumentError # too deep, or too many attributes: it is read without
        new(nil)
      end

      # @param root [Nokogiri::XML::Element, nil]
      def initialize(root)
        @root = root
        @elements = {}.compare_by_identity
        @parts, @words, @linked, @leading, @mains = [], 0, 0, 0, 0
        body = root&.at_css("body")
        walk(body, nil) if body
      end

      # @return [Integer] words of the whole text
      attr_reader :words

      # @return [String, nil] the beginning of one that is longer than any title
      def title
        text = @root&.at_css("head title, title")&.text.to_s.gsub(/\s+/, " ").strip[0, LONGEST_TITLE]
        text unless text.empty?
      end

      # @return [String, nil] a tag (BCP 47)
      def language
        @root && [ @root["lang"], @root["xml:lang"], @root.at_css("body")&.[]("lang") ].compact.first&.then { |tag| tag if tag.match?(/\A[a-z]{2,3}(?:-[a-z0-9]+)*\z/i) }
      end

      # @return [Hash{String=>String}] addresses of what is "next", "prev", "up" and "contents", as it states it, or as links at its
      #   edges are called
      def rels
        return {} unless @root

        stated = @root.css("link[rel][href], a[rel][href]").each_with_object({}) do |link, found|
          link["rel"].downcase.split.each { |rel| found[RELS[rel]] ||= link["href"].strip if RELS[rel] }
        end
        said.merge(stated)
      end

      # @return [String, nil] the address of another page that it leads on to, having nothing to say itself (HTML 5, 4.2.5.3)
      def leads_on
        return unless @root && @words <= FEW

        @root.css("meta[http-equiv][content]").find { |meta| meta["http-equiv"].casecmp?("refresh") }&.then { |meta| meta["content"][ON, 1] }
      end

      # @return [Array<Part>]
      def parts
        @parts.size > 2 * MOST_PARTS ? @parts.first(MOST_PARTS) + @parts.last(MOST_PARTS) : @parts
      end

      # @param parts [Array<Part>]
      # @return [Array<Nokogiri::XML::Element>] those that are such parts, each not within another
      def elements(parts)
        keys, shapes = parts.map(&:key).compact.to_set, parts.map(&:shape).compact.to_set
        @elements.select { |_element, part| keys.include?(part.key) || shapes.include?(part.shape) && Repeated.bar?(part) }.keys
      end

      # @return [Boolean] whether it is little more than links to others
      def leading?
        @leading.positive? && @leading * 2 >= @words
      end

      # @return [Array<List>] those that lead to something, but for ways through the pages: to the next and the one before, and from the
      #   front to this one
      def lists
        return [] unless @root

        @root.xpath("//*[(self::ul or self::ol or self::dl) and not(ancestor::ul or ancestor::ol or ancestor::dl)]").filter_map do |list|
          next if way?(list)

          items = items(list, 0, [])
          items = items.reject { |_depth, address| address.include?("#") } if items.size > MOST_ITEMS
          List.new(items: items.first(MOST_ITEMS), contents: contents?(list), within: within(list)) if items.size >= LEAST_LINKS
        end
      end

      private

      # Parts in the order in which they begin, with what is in them. +linked+ is :elsewhere within a link to another text, :here within
      # one to the same, or nil.
      def walk(element, linked)
        said = +""
        element.children.each do |node|
          if node.text? || node.cdata? then said << count(node.text, linked)
          elsif node.element? && !QUIET.include?(node.name) then said << inner(node, linked)
          end
        end
        said
      end

      def inner(node, linked)
        return "[#{File.basename(node["src"].to_s)}]" if node.name == "img"
        @mains += 1 if MAIN.include?(node.name)
        name = title?(node)
        return walk(node, linked || link(node)) unless PARTS.include?(node.name) && !cell?(node) || name

        before = [ @mains, @linked ]
        @parts << (part = Part.new(shape: (shape(node) unless name), from: @words, name: name || nil))
        said = walk(node, linked)
        @mains += 1 if node["role"] == "main"
        part.to, part.linked = @words, @linked - before.last
        part.shape = nil if @mains > before.first
        part.key = Digest::SHA256.hexdigest(said)[0, 16] unless said.empty?
        part.words = said.tr("\n", " ").strip[0, 200]
        @elements[node] = part
        said
      end

      # The only words of a table's cell: a table that is a bar is one as a whole.
      def cell?(node)
        node.name == "p" && %w[td th].include?(node.parent.name) && node.parent.element_children.one?
      end

      # @return [Symbol, nil] where it leads
      def link(node)
        return unless node.name == "a" && node["href"]

        node["href"].start_with?("#") ? :here : :elsewhere
      end

      # The only heading of its level, before all else but links to neighbours: it may be what the page is called, or the manual.
      def title?(node)
        node.name == "h1" && @words <= BEFORE && (@only ||= @root.css("h1").size) == 1
      end

      def count(text, linked)
        words = text.scan(WORD)
        @words += words.size
        @linked += words.size if linked
        @leading += words.size if linked == :elsewhere
        words.empty? ? "" : "#{words.join(" ")}\n"
      end

      # @return [String, nil] nil for an element that has neither id nor class
      def shape(node)
        named = [ ("##{node["id"]}" if node["id"]), *node["class"].to_s.split.sort.map { |name| ".#{name}" }, ("[#{node["role"]}]" if node["role"]) ].compact
        "#{node.name}#{named.join}" if named.any? || %w[nav header footer].include?(node.name)
      end

      LISTS = %w[ul ol dl].freeze
      private_constant :LISTS

      def items(list, depth, found)
        list.element_children.each { |child| LISTS.include?(child.name) ? items(child, depth + 1, found) : item(child, depth, found) }
        found
      end

      # The first link of an item, and then the lists in it.
      def item(child, depth, found)
        link, inner = nil, []
        stack = [ child ]
        while (node = stack.pop)
          if LISTS.include?(node.name) then inner << node
          elsif node.name == "a" && node["href"] then link ||= node
          else stack.concat(node.element_children.reverse)
          end
        end
        found << [ depth, link["href"].strip ] if link
        inner.each { |list| items(list, depth + 1, found) }
      end

      def said
        links = @root.css("a[href]").to_a
        edges = links.size > 2 * AT_EDGES ? [ *links.first(AT_EDGES), *links.last(AT_EDGES) ] : links
        edges.each_with_object({}) do |link, found|
          rel = Neighbours.rel(link)
          found[rel] ||= link["href"].strip if rel && !link["href"].strip.start_with?("#")
        end
      end

      # @return [Array<Nokogiri::XML::Element>] the list and what it lies in
      def around(list)
        found = []
        while list.is_a?(Nokogiri::XML::Element) && !%w[body html].include?(list.name)
          found << list
          list = list.parent
        end
        found
      end

      def way?(list)
        links = list.css("a[href]")
        return true if links.size <= Neighbours::MOST && links.any? { |link| %w[next prev].include?(Neighbours.rel(link)) }

        around(list).any? { |element| CRUMBS.match?("#{element["class"]} #{element["id"]} #{element["aria-label"]}") }
      end

      def contents?(list)
        around(list).any? { |element| tells_of_contents?(element) }
      end

      def within(list)
        around(list).flat_map { |element| @elements[element]&.then { |part| [ part.key, part.shape ] } || [] }.compact.uniq
      end

      def tells_of_contents?(around)
        around.name == "nav" || around["role"].to_s.match?(/\A(?:navigation|doc-toc)\z/) || around["epub:type"] == "toc" || CONTENTS.match?(around["class"].to_s) || CONTENTS.match?(around["id"].to_s)
      end
    end
  end
end
