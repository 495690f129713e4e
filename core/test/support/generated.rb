# Documents made at random that between them use every node type, every mark and every awkward character.
class Generated
  PIECES = [ "a", "salt", "The gangway", " ", "  ", "\t", "\u00a0", ".", "1. x", "- x", "+", "# x", "#", "> x", "*", "**", "_", "__", "~", "~~",
             "`", "``", "```", "[", "]", "[x](y)", "![", "!", "<b>", "&amp;", "&", "{", "}", "{#abcd1234}", "{}", "{^}", ":::",
             "::: divider", "\\", "\\{", "[!NOTE]", "===", "---", "é", "ß", "日本", "🙂", "“x”", "http://x.example", "|", "a_b_c",
             "2) y", "=", "\\\\", "\"", "'", "(", ")", "x{", "$", "€", "™", "^", "%", "\u202b", "\u0301" ].freeze
  TARGETS = [ "page:abcdefghij", "page:abcdefghij#abcd1234", "promise:Sand box list", "promise:a <b> & \\c> {d} :e [f]", "https://x.example/a_(b)?c=d&e=*",
              "mailto:a@b.example", "tel:+4712345", "person:abcdefghi1", "file:abcdefghi2" ].freeze

  CARD = "https://x.example/a?b=*c*".freeze

  LEAVES = [ { "type" => "mention", "attrs" => { "person" => "abcdefghij" } }, { "type" => "date", "attrs" => { "date" => "2026-12-01" } }, { "type" => "date" },
             { "type" => "page_title", "attrs" => { "page" => "abcdefghij" } }, { "type" => "cite", "attrs" => { "source" => "abcdefghij" } },
             { "type" => "cite", "attrs" => { "source" => "abcdefghij", "place" => "p. *12* [a]{b}" } } ].freeze

  def initialize(random)
    @random = random
  end

  def document(size: 6, depth: 4)
    { "type" => "doc", "content" => blocks(1 + @random.rand(size), depth) }
  end

  def blocks(count, depth)
    Array.new(count) { block(depth) }
  end

  def block(depth)
    kinds = %w[paragraph paragraph heading code_block divider]
    kinds += %w[contents_list live_insert figure embed gallery references]
    kinds += %w[bullet_list ordered_list definition_list quote notice task_list fold passage columns table] if depth.positive?
    case kind = pick(kinds)
    when "paragraph" then node(kind, centred, inline)
    when "heading" then node(kind, { "level" => 1 + @random.rand(4), **centred }, inline.select { |n| n["type"] == "text" })
    when "code_block" then node(kind, { "language" => pick([ nil, "ruby", "c++", "text" ]) }, code)
    when "divider" then node(kind, {}, [])
    when "bullet_list" then node(kind, {}, items(depth))
    when "ordered_list" then node(kind, { "start" => pick([ 1, 0, 7, 999_999_999 ]) }, items(depth))
    when "quote" then node(kind, {}, blocks(1 + @random.rand(3), depth - 1))
    when "contents_list" then node(kind, { "depth" => 1 + @random.rand(4) }, [])
    when "live_insert" then node(kind, { "page" => pick([ nil, "abcdefghij" ]), "passage" => pick([ nil, "abcd1234" ]), "headings" => pick([ true, false ]) }, [])
    when "gallery" then node(kind, { "layout" => pick(%w[grid slides]) }, Array.new(1 + @random.rand(3)) { figure })
    when "references" then node(kind, { "columns" => 1 + @random.rand(2) }, [])
    when "figure" then figure
    when "embed" then node(kind, { "file" => pick([ nil, "abcdefghij" ]), "address" => pick([ nil, CARD ]), "title" => pick([ "", text.tr("\t", " ") ]) }, [])
    when "task_list" then node(kind, {}, Array.new(1 + @random.rand(3)) { task(depth) })
    when "fold" then node(kind, { "title" => pick([ "", text.tr("\t", " ") ]), "open" => pick([ true, false ]) }, blocks(1 + @random.rand(2), depth - 1))
    when "passage" then node(kind, { "name" => pick([ "", text.tr("\t", " ") ]) }, blocks(1 + @random.rand(2), depth - 1))
    when "definition_list" then node(kind, {}, definitions(depth))
    when "columns" then node(kind, {}, Array.new(2 + @random.rand(2)) { node("column", { "share" => 1 + @random.rand(3) }, blocks(1, depth - 1)) })
    when "table" then table
    when "notice" then node(kind, { "tone" => pick(Zuhause::Document::Schema::TONES) }, blocks(1 + @random.rand(2), depth - 1))
    end
  end

  def centred
    @random.rand(6).zero? ? { "align" => "center" } : {}
  end

  def figure
    node("figure", { "file" => pick([ nil, "abcdefghij" ]), "alt" => pick([ "", text.tr("\t", " ") ]), "width" => pick([ 100, 50 ]), "side" => pick([ nil, "left", "center" ]), "target" => pick([ nil, *TARGETS ]) }, inline)
  end

  def task(depth)
    attrs = { "done" => pick([ true, false ]) }
    attrs.merge!("assignee" => "abcdefghij", "due" => "2026-12-01") if @random.rand(4).zero?
    node("task", attrs, blocks(1 + @random.rand(2), depth - 1))
  end

  def table
    width = 1 + @random.rand(3)
    plain = @random.rand(2).zero?
    align = Array.new(width) { pick([ nil, nil, "center", "right" ]) }
    rows = Array.new(1 + @random.rand(3)) do |y|
      node("row", {}, Array.new(width) { |x| node(y.zero? && plain ? "header_cell" : pick(plain ? %w[cell] : %w[cell header_cell]), plain ? { "align" => align[x] }.compact : cell_attrs, cell(plain)) })
    end
    node("table", {}, rows)
  end

  def cell_attrs
    { "align" => pick([ nil, "center" ]), "colspan" => pick([ 1, 1, 2 ]), "rowspan" => pick([ 1, 1, 2 ]), "colwidth" => pick([ nil, [ 120 ] ]) }
  end

  def cell(plain)
    return [ node("paragraph", {}, inline.reject { |n| n["type"] == "hard_break" }) ] if plain

    Array.new(1 + @random.rand(2)) { pick([ node("paragraph", {}, inline), node("code_block", {}, code), node("bullet_list", {}, items(0)) ]) }
  end

  def definitions(depth)
    Array.new(1 + @random.rand(4)) do
      next node("term", {}, inline.select { |n| n["type"] == "text" }) if @random.rand(2).zero?

      node("definition", {}, @random.rand(2).zero? ? [ node("paragraph", {}, inline) ] : blocks(1 + @random.rand(2), depth - 1))
    end
  end

  def items(depth)
    Array.new(1 + @random.rand(3)) { node("list_item", {}, blocks(1 + @random.rand(2), depth - 1)) }
  end

  def inline
    Array.new(@random.rand(6)) do
      next({ "type" => "hard_break" }) if @random.rand(8).zero?
      next pick(LEAVES) if @random.rand(10).zero?
      next footnote if @random.rand(12).zero?

      marked({ "type" => "text", "text" => text })
    end
  end

  def marked(node)
    marks = %w[strong emphasis strike code].select { @random.rand(4).zero? }.map { |name| { "type" => name } }
    marks += %w[underline blank sub sup].select { @random.rand(6).zero? }.map { |name| { "type" => name } }
    marks += %w[highlight colour].select { @random.rand(8).zero? }.map { |name| { "type" => name, "attrs" => { "tone" => pick(Zuhause::Document::Schema::COLOURS) } } }
    marks << { "type" => pick(%w[double kept]), "attrs" => pick([ {}, { "by" => "abcdefghij" } ]) } if @random.rand(10).zero?
    marks << { "type" => "link", "attrs" => { "target" => pick(TARGETS) } } if @random.rand(5).zero?
    marks.empty? ? node : node.merge("marks" => marks.shuffle(random: @random))
  end

  def footnote
    node("footnote", {}, Array.new(@random.rand(3)) { @random.rand(6).zero? ? { "type" => "hard_break" } : marked({ "type" => "text", "text" => text }) })
  end

  def text
    Array.new(1 + @random.rand(4)) { pick(PIECES) }.join
  end

  def pick(list)
    list[@random.rand(list.size)]
  end

  private

  def code
    return [] if @random.rand(5).zero?

    [ { "type" => "text", "text" => Array.new(1 + @random.rand(4)) { pick([ text, "\n", "", "\n\n", "  x", "\tx", "```" ]) }.join.then { |t| t.empty? ? "x" : t } } ]
  end

  def node(type, attrs, content)
    { "type" => type, "attrs" => attrs, "content" => content }.reject { |_k, v| v.empty? }
  end
end
