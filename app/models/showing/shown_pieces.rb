# The HTML of a text in pieces: what is the same for everybody as strings, and between them the places of what depends on who
# looks. It is taken apart once, when it is written, and kept so.
module ShownPieces
  Leaf = Struct.new(:node)
  # A link to whatever its target leads to for whoever looks, with pieces as its label.
  Link = Struct.new(:target, :label)

  LINK = %r{<x-link target="([^"]*)">}
  END_OF_LINK = "</x-link>".freeze
  LEAF = %r{<x-leaf data="([^"]*)"></x-leaf>}
  MARKS = /(#{Regexp.union(LINK, END_OF_LINK, LEAF).source.gsub(/\((?!\?)/, "(?:")})/

  # Hold places in the HTML that the core writes.
  HOLD_LEAF = ->(leaf) { %(<x-leaf data="#{CGI.escapeHTML(JSON.generate(leaf))}"></x-leaf>) }
  HOLD_LINK = ->(target, label) { %(<x-link target="#{CGI.escapeHTML(target.to_s)}">#{label}</x-link>) }

  class << self
    # @param html [String] in which places are held
    # @return [Array<String, Leaf, Link>]
    def of(html)
      open = [ [] ]
      html.split(MARKS).each { |part| take(part, open) unless part.empty? }
      open.first
    end

    # @param pieces [Array<String, Leaf, Link>]
    # @return [Array<Leaf, Link>] all places, those within links too
    def places(pieces)
      pieces.grep_v(String).flat_map { |piece| piece.is_a?(Link) ? [ piece, *places(piece.label) ] : [ piece ] }
    end

    private

    def take(part, open)
      if (mark = part.match(/\A#{LINK}\z/o))
        link = Link.new(Zuhause::Links::Target.parse(CGI.unescapeHTML(mark[1])), [])
        open.last << link
        open << link.label
      elsif part == END_OF_LINK then open.pop
      elsif (mark = part.match(/\A#{LEAF}\z/o)) then open.last << Leaf.new(JSON.parse(CGI.unescapeHTML(mark[1])))
      else open.last << part
      end
    end
  end
end
