module Zuhause
  module Document
    # The marks of the document tree, and what its node types ({Node}, each in a file of nodes/) share: the one definition
    # that checking, normal form, the Markdown forms and the editor are held against.
    module Schema
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

      # In normal form marks stand in this order, from the outermost to the innermost.
      MARKS = [
        Mark.new(name: "link", attrs: { "target" => Attr.new(default: "", allows: ->(v) { v.is_a?(String) }) }),
        Mark.new(name: "strong", attrs: {}),
        Mark.new(name: "emphasis", attrs: {}),
        Mark.new(name: "underline", attrs: {}),
        Mark.new(name: "strike", attrs: {}),
        Mark.new(name: "highlight", attrs: { "tone" => Attr.one_of(COLOURS, default: "ochre") }),
        Mark.new(name: "colour", attrs: { "tone" => Attr.one_of(COLOURS, default: "brick") }),
        Mark.new(name: "blank", attrs: {}), # words that say what is to be written in their place
        Mark.new(name: "double", attrs: { "by" => Attr.matching(PUBLIC_ID) }), # words of one of two who wrote in one place
        Mark.new(name: "kept", attrs: { "by" => Attr.matching(PUBLIC_ID) }), # words that one changed and the other removed
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
