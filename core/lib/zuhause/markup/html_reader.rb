require "nokogiri"

module Zuhause
  module Markup
    # Reads HTML, pasted or brought in, into a document. Any text can be read; only what the document tree has a place for
    # comes in, so nothing that could run does. What is left out is reported.
    class HTMLReader
      include HTMLLines, HTMLNotes, HTMLAnchors, HTMLNotices

      # The type of node that an element becomes.
      TYPES = Document::Schema::NODES.values.flat_map { |type| type.elements.map { |element| [ element, type ] } }.to_h.freeze
      HEADINGS = Document::Schema::NODES.fetch("heading").elements
      # Elements that hold blocks, or stand as one.
      BLOCKS = (TYPES.keys - %w[img] + %w[p div section article main header footer aside nav address center form fieldset body html li caption thead tbody tfoot tr td
                                         th summary figcaption dt dd]).to_set.freeze
      DEEPEST = 300 # elements within each other; the parser's time grows with the square of it
      TAG = /<(\/?)[a-z][^<>]*>/i

      # @param html [String] any text
      # @param picture [#call] takes the address and the words of a picture, gives the public id of the file to show in its
      #   place, or nil to leave it out
      # @param lead [#call, nil] takes the address of a link, gives what it is to lead to, or nil for no link; places within the
      #   text are led to only by it
      # @yieldparam root [Nokogiri::XML::Element] before it is read, to be changed
      # @return [MarkdownReader::Read]
      # @raise [Document::Invalid] for more than a document can hold ({Document::Limits})
      def self.read(html, picture: ->(_address, _words) { }, lead: nil, &change)
        new(html, picture, lead).read(&change)
      end

      def initialize(html, picture, lead = nil)
        HTMLMeasure.judge(html)
        @html = Document::Normal.clean(html)
        @picture = picture
        @lead = lead || ->(address) { address unless address.start_with?("#") }
        @reports = []
        @anchors, @waiting, @named_before, @met = {}, [], 0, Set.new.compare_by_identity
      end

      def read
        root = parse.root
        yield root if root && block_given?
        OfficeTasks.mend(root) if root
        OfficeLists.mend(root) if root
        OfficeCaptions.mend(root) if root
        HTMLPictures.mend(root).each { |address| report(:drawn_link, address) } if root
        HTMLFormulas.mend(root).each { |words| report(:formula, words) } if root
        look_at_the_foot(root) if root
        look_over(root) if root
        nodes = root ? blocks(root, 1, []) : []
        nodes = [ { "type" => "paragraph" } ] if nodes.empty?
        doc, dropped = Document::Normal.form({ "type" => "doc", "content" => nodes })
        dropped.each { |target| report(:target, target) }
        settle_anchors(doc) if @anchors.any? || @waiting.any?
        MarkdownReader::Read.new(doc: doc, reports: @reports, anchors: @anchors)
      end

      # What follows is for the types of nodes ({Document::Node#read}).

      # @return [Integer] by how many levels headings are raised
      attr_reader :shift

      # @return [Array<Hash>] the blocks that an element holds; what stands in a line between them becomes paragraphs
      def blocks(parent, depth, marks)
        met(parent)
        among(parent.children, depth, marks, parent)
      end

      # @param nodes [Enumerable<Nokogiri::XML::Node>] that stand beside each other
      # @return [Array<Hash>] the blocks that they are
      def among(nodes, depth, marks, parent = nil)
        result = []
        line = []
        nodes.each do |node|
          next line.concat(inline(node, marks)) unless stands_alone?(node)

          result.concat(paragraph(line, parent))
          line = []
          result.concat(block(node, depth, marks))
        end
        result.concat(paragraph(line, parent))
      end

      # Containers that hold certain elements may hold others all the same, or bare words.
      #
      # @return [Array<Array<Nokogiri::XML::Node>>] what an element holds: each that is called so by itself, others that follow one
      #   another together
      def runs(element, names)
        element.children.chunk_while { |a, b| !names.include?(a.name) && !names.include?(b.name) }.to_a
      end

      # @param parent [Nokogiri::XML::Node, nil] whose style the line has
      def paragraph(line, parent = nil)
        text = trimmed(line)
        # a name behind its last word belongs to what follows: paragraphs need not be closed (HTML 5, 13.1.2.4)
        text.empty? ? [] : anchored([ { "type" => "paragraph", "attrs" => centred(parent), "content" => text }.compact ], [], [ @named_before, @waiting.size ].min)
      end

      # @return [Array<Hash>] the inline nodes of an element that is one line
      def line(element, marks)
        met(element)
        trimmed(inline(element, marks))
      end

      # @return [String] words for an attribute
      def words(text)
        text.gsub(SPACE, " ").strip[0, Document::Schema::LONGEST_NAME].gsub(/[[:cntrl:]]/, "")
      end

      # Paragraphs, and what stands for them; in cells it is the cell that is aligned.
      def centred(node)
        { "align" => "center" } if node && %w[p div center h1 h2 h3 h4 h5 h6].include?(node.name) && (node.name == "center" || alignment(node) == "center")
      end

      def alignment(node)
        "#{node["align"]} #{HTMLStyles.of(node["style"])["text-align"]}"[/center|right/]
      end

      # Containers too deep to keep give way to what is in them.
      def nested(node, depth, levels, marks)
        return yield if depth + levels <= Document::Schema::MAX_DEPTH

        report(:too_deep, "")
        blocks(node, depth, marks)
      end

      # @return [Array<Hash>] what a container can hold of blocks
      def held(name, blocks)
        Fit.into(name, blocks) { |code| report(code, name) } || [ { "type" => "paragraph" } ]
      end

      # @param image [Nokogiri::XML::Element]
      # @return [String, nil] the public id of the file that is to be shown
      def file(image)
        @files[image]
      end

      # @return [String, nil] what the link around an element leads to
      def around(element)
        link = holder(element, %w[a])
        target = link && link["href"] && @lead.call(link["href"].strip)
        target if Links::Target.parse(target.to_s)
      end

      # Asked with a selector, the parser would look through the whole text for each.
      #
      # @return [Nokogiri::XML::Element, nil] the nearest element around it that is called so
      def holder(element, names)
        element = element.parent while element&.element? && !names.include?(element.name)
        element if element&.element?
      end

      def report(code, detail)
        @reports << MarkdownReader::Report.new(code: code, detail: detail.to_s[0, 200])
        true
      end

      private

      def parse
        Nokogiri::HTML5.parse(@html, max_tree_depth: DEEPEST, max_attributes: Document::Limits::ATTRIBUTES)
      rescue ArgumentError => e
        Document::Limits.refuse(:attributes, Document::Limits::ATTRIBUTES) if e.message.match?(/attributes/i)
        report(:too_deep, "")
        parse_flattened
      end

      def parse_flattened
        Nokogiri::HTML5.parse(flattened, max_tree_depth: -1, max_attributes: Document::Limits::ATTRIBUTES)
      rescue ArgumentError
        Document::Limits.refuse(:attributes, Document::Limits::ATTRIBUTES)
      end

      # The text without the tags of what stands too deep; only for what nobody wrote by hand.
      def flattened
        depth = 0
        @html.gsub(TAG) do |tag|
          closing = Regexp.last_match(1) == "/"
          depth = [ depth - 1, 0 ].max if closing
          keep = depth < DEEPEST / 2
          depth += 1 unless closing
          keep ? tag : " "
        end
      end

      # Finds once, for all that follows, what holds blocks, which pictures are kept, and where headings begin.
      def look_over(root)
        @holding = Set.new.compare_by_identity
        @files = {}
        top = HEADINGS.length
        root.traverse do |node|
          next unless node.element?

          @files[node] = file_of(node) if node.name == "img"
          top = [ top, HEADINGS.index(node.name) ].min if HEADINGS.include?(node.name)
          hold(node.parent) if BLOCKS.include?(node.name) || @files[node] || tone(node)
        end
        @shift = top == HEADINGS.length ? 0 : top
      end

      def hold(node)
        while node&.element? && @holding.add?(node)
          node = node.parent
        end
      end

      def file_of(image)
        id = @picture.call(image["src"].to_s, image["alt"].to_s)
        report(:picture, image["src"].to_s.start_with?("data:") ? image["alt"] : image["src"]) unless id
        id
      end

      def stands_alone?(node)
        node.element? && (BLOCKS.include?(node.name) || @holding.include?(node) || @files[node])
      end

      def block(node, depth, marks)
        return [] if QUIET.include?(node.name)
        return unkept(node) if UNKEPT.include?(node.name)

        type = TYPES[node.name]
        tone = tone(node)
        return blocks(node, depth, within(node, marks)) unless type || tone

        met(node)
        names = waiting_before
        anchored(tone ? notice(node, tone, depth, marks) : type.read(node, self, depth, marks), names)
      end
    end
  end
end
