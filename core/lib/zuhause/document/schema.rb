module Zuhause
  module Document
    # The node types and marks of the document tree: the one definition that checking, normal form, the
    # Markdown forms and the editor are held against.
    module Schema
      # An attribute: the value it has when nothing is written, and what may be written.
      Attr = Struct.new(:default, :allows, keyword_init: true) do
        def allows?(value)
          value == default || allows.call(value)
        end
      end

      # What may stand inside a node: names of types or groups, and how many of them.
      Content = Struct.new(:names, :min, :max, keyword_init: true) do
        # @param expression [String] one term such as "block+", "(header_cell|cell)+" or "column{2,3}", written
        #   as the editor's library writes it, so that both sides can share it
        def self.parse(expression)
          return new(names: [], min: 0, max: 0) if expression.empty?

          names, quantity = expression.match(/\A\(?([a-z_|]+)\)?(\+|\*|\{\d+,\d+\})\z/).captures
          min, max = { "+" => [ 1, nil ], "*" => [ 0, nil ] }[quantity] || quantity.scan(/\d+/).map(&:to_i)
          new(names: names.split("|"), min: min, max: max)
        end
      end

      Node = Struct.new(:name, :expression, :group, :attrs, :marks, :content, keyword_init: true) do
        def block?
          group != "inline" && name != "doc"
        end

        def leaf?
          expression.empty?
        end

        # @return [Boolean] whether its content is text rather than blocks
        def textblock?
          content.names.intersect?(%w[inline text])
        end
      end

      Mark = Struct.new(:name, :attrs, keyword_init: true)

      TONES = %w[note tip caution danger].freeze
      HEADING_LEVELS = (1..4)
      ID = /\A[a-z0-9]{8}\z/
      LARGEST_START = 999_999_999 # CommonMark's limit of nine digits

      PUBLIC_ID = /\A[a-z0-9]{10}\z/
      DATE = /\A\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])\z/
      COLOURS = %w[ochre moss petrol brick].freeze
      ALIGNMENTS = %w[center right].freeze
      MOST_SPANNED = 100 # columns or rows of one cell
      LONGEST_ADDRESS = 2000 # characters
      LONGEST_NAME = 200 # characters of a fold's title or a passage's name
      CELL_CONTENT = "(paragraph|bullet_list|ordered_list|task_list|code_block)+".freeze

      def self.boolean(default)
        Attr.new(default: default, allows: ->(v) { [ true, false ].include?(v) })
      end

      def self.matching(pattern, default: nil)
        Attr.new(default: default, allows: ->(v) { v.is_a?(String) && v.match?(pattern) })
      end

      def self.one_of(values, default:)
        Attr.new(default: default, allows: ->(v) { values.include?(v) })
      end

      def self.whole(range, default:)
        Attr.new(default: default, allows: ->(v) { v.is_a?(Integer) && range.cover?(v) })
      end

      def self.address
        Attr.new(default: nil, allows: ->(v) { v.is_a?(String) && v.valid_encoding? && v.length <= LONGEST_ADDRESS })
      end

      def self.words(default)
        Attr.new(default: default, allows: ->(v) { v.is_a?(String) && v.valid_encoding? && v.length <= LONGEST_NAME && !v.match?(/[[:cntrl:]]/) })
      end
      private_class_method :boolean, :matching, :one_of, :whole, :words, :address

      CELL_ATTRS = {
        "colspan" => whole(1..MOST_SPANNED, default: 1), "rowspan" => whole(1..MOST_SPANNED, default: 1),
        "colwidth" => Attr.new(default: nil, allows: ->(v) { v.is_a?(Array) && v.size.between?(1, MOST_SPANNED) && v.all? { |w| w.is_a?(Integer) && w.between?(0, 2000) } }), # pixels, 0 for any
        "align" => one_of(ALIGNMENTS, default: nil)
      }.freeze

      ID_ATTR = { "id" => Attr.new(default: nil, allows: ->(v) { v.is_a?(String) && v.match?(ID) }) }.freeze

      def self.node(name, expression, group: nil, attrs: {}, marks: true)
        own = group == "inline" || name == "doc" ? attrs : ID_ATTR.merge(attrs)
        Node.new(name: name, expression: expression, group: group, attrs: own, marks: marks,
                 content: Content.parse(expression)).freeze
      end
      private_class_method :node

      NODES = [
        node("doc", "block+"),
        node("paragraph", "inline*", group: "block", attrs: { "align" => one_of(%w[center], default: nil) }),
        node("heading", "text*", group: "block", attrs: {
          "level" => Attr.new(default: 1, allows: ->(v) { v.is_a?(Integer) && HEADING_LEVELS.cover?(v) }), "align" => one_of(%w[center], default: nil)
        }),
        node("bullet_list", "list_item+", group: "block"),
        node("ordered_list", "list_item+", group: "block", attrs: {
          "start" => Attr.new(default: 1, allows: ->(v) { v.is_a?(Integer) && v.between?(0, LARGEST_START) })
        }),
        node("list_item", "block+"),
        node("quote", "block+", group: "block"),
        node("code_block", "text*", group: "block", marks: false, attrs: {
          "language" => Attr.new(default: nil, allows: ->(v) { v.is_a?(String) && v.match?(/\A[\w+#.-]{1,40}\z/) })
        }),
        node("divider", "", group: "block"),
        node("notice", "block+", group: "block", attrs: {
          "tone" => Attr.new(default: "note", allows: ->(v) { TONES.include?(v) })
        }),
        node("task_list", "task+", group: "block"),
        node("task", "block+", attrs: { "done" => boolean(false), "assignee" => matching(PUBLIC_ID), "due" => matching(DATE) }),
        node("table", "row+", group: "block"),
        node("row", "(cell|header_cell)+"),
        node("cell", CELL_CONTENT, attrs: CELL_ATTRS),
        node("header_cell", CELL_CONTENT, attrs: CELL_ATTRS),
        node("fold", "block+", group: "block", attrs: { "title" => words(""), "open" => boolean(false) }),
        node("columns", "column{2,3}", group: "block"),
        node("column", "block+", attrs: { "share" => whole(1..9, default: 1) }), # of the width, to the others
        node("contents_list", "", group: "block", attrs: { "depth" => whole(HEADING_LEVELS, default: HEADING_LEVELS.end) }),
        node("passage", "block+", group: "block", attrs: { "name" => words("") }),
        node("live_insert", "", group: "block", attrs: { "page" => matching(PUBLIC_ID), "passage" => matching(ID), "headings" => boolean(false) }),
        node("figure", "inline*", group: "block", attrs: {
          "file" => matching(PUBLIC_ID), "alt" => words(""), "width" => whole(10..100, default: 100), # percent of the text's width
          "side" => one_of(%w[left center right], default: nil), "target" => address
        }),
        node("embed", "", group: "block", attrs: { "file" => matching(PUBLIC_ID), "address" => address, "title" => words(""), "text" => words("") }), # a file, or an address with what is said of it
        node("gallery", "figure+", group: "block", attrs: { "layout" => one_of(%w[grid slides], default: "grid") }),
        node("references", "", group: "block", attrs: { "columns" => whole(1..2, default: 1) }),
        node("text", "", group: "inline"),
        node("hard_break", "", group: "inline"),
        node("mention", "", group: "inline", attrs: { "person" => matching(PUBLIC_ID) }),
        node("date", "", group: "inline", attrs: { "date" => matching(DATE) }),
        node("cite", "", group: "inline", attrs: { "source" => matching(PUBLIC_ID), "place" => words("") }), # place: a page, a chapter
        node("page_title", "", group: "inline", attrs: { "page" => matching(PUBLIC_ID) })
      ].to_h { |n| [ n.name, n ] }.freeze

      # In normal form marks stand in this order, from the outermost to the innermost.
      MARKS = [
        Mark.new(name: "link", attrs: { "target" => Attr.new(default: "", allows: ->(v) { v.is_a?(String) }) }),
        Mark.new(name: "strong", attrs: {}),
        Mark.new(name: "emphasis", attrs: {}),
        Mark.new(name: "underline", attrs: {}),
        Mark.new(name: "strike", attrs: {}),
        Mark.new(name: "highlight", attrs: { "tone" => one_of(COLOURS, default: "ochre") }),
        Mark.new(name: "colour", attrs: { "tone" => one_of(COLOURS, default: "brick") }),
        Mark.new(name: "blank", attrs: {}), # words that say what is to be written in their place
        Mark.new(name: "sub", attrs: {}),
        Mark.new(name: "sup", attrs: {}),
        Mark.new(name: "code", attrs: {})
      ].to_h { |m| [ m.name, m ] }.freeze

      MARK_ORDER = MARKS.keys.each_with_index.to_h.freeze

      MAX_DEPTH = 20            # levels of blocks below the document
      MAX_BYTES = 2 * 1024 * 1024

      # @param type [String] a node type's name
      # @param content [Content]
      # @return [Boolean] whether a node of that type may stand in that content
      def self.fits?(type, content)
        content.names.include?(type) || content.names.include?(NODES.fetch(type).group)
      end
    end
  end
end
