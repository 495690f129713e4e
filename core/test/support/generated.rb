# Documents made at random that between them use every node type, every mark and every awkward character.
class Generated
  PIECES = [ "a", "salt", "The gangway", " ", "  ", "\t", "\u00a0", ".", "1. x", "- x", "+", "# x", "#", "> x", "*", "**", "_", "__", "~", "~~",
             "`", "``", "```", "[", "]", "[x](y)", "![", "!", "<b>", "&amp;", "&", "{", "}", "{#abcd1234}", "{}", "{^}", ":::",
             "::: divider", "\\", "\\{", "[!NOTE]", "===", "---", "é", "ß", "日本", "🙂", "“x”", "http://x.example", "|", "a_b_c",
             "2) y", "=", "\\\\", "\"", "'", "(", ")", "x{", "$", "^", "%", "\u202b", "\u0301" ].freeze
  TARGETS = [ "page:abcdefghij", "page:abcdefghij#abcd1234", "promise:Sand box list", "promise:a <b> & \\c> {d} :e [f]", "https://x.example/a_(b)?c=d&e=*",
              "mailto:a@b.example", "tel:+4712345", "person:abcdefghi1", "file:abcdefghi2" ].freeze

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
    kinds += %w[bullet_list ordered_list quote notice] if depth.positive?
    case kind = pick(kinds)
    when "paragraph" then node(kind, {}, inline)
    when "heading" then node(kind, { "level" => 1 + @random.rand(4) }, inline.reject { |n| n["type"] == "hard_break" })
    when "code_block" then node(kind, { "language" => pick([ nil, "ruby", "c++", "text" ]) }, code)
    when "divider" then node(kind, {}, [])
    when "bullet_list" then node(kind, {}, items(depth))
    when "ordered_list" then node(kind, { "start" => pick([ 1, 0, 7, 999_999_999 ]) }, items(depth))
    when "quote" then node(kind, {}, blocks(1 + @random.rand(3), depth - 1))
    when "notice" then node(kind, { "tone" => pick(Zuhause::Document::Schema::TONES) }, blocks(1 + @random.rand(2), depth - 1))
    end
  end

  def items(depth)
    Array.new(1 + @random.rand(3)) { node("list_item", {}, blocks(1 + @random.rand(2), depth - 1)) }
  end

  def inline
    Array.new(@random.rand(6)) do
      next({ "type" => "hard_break" }) if @random.rand(8).zero?

      node = { "type" => "text", "text" => text }
      marks = %w[strong emphasis strike code].select { @random.rand(4).zero? }.map { |name| { "type" => name } }
      marks << { "type" => "link", "attrs" => { "target" => pick(TARGETS) } } if @random.rand(5).zero?
      marks.empty? ? node : node.merge("marks" => marks.shuffle(random: @random))
    end
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
