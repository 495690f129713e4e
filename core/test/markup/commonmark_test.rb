require_relative "../test_helper"

# The examples of the CommonMark specification (0.31.2, npm's commonmark-spec). docs/document-format.md tells the three
# numbers that are held here.
class CommonMarkTest < Minitest::Test
  include Zuhause

  SPEC = File.expand_path("../../../node_modules/commonmark-spec/spec.txt", __dir__)
  Example = Struct.new(:number, :markdown, :html)

  # What the document tree has no place for, told by what the specification renders.
  LACKING = {
    "raw HTML" => ->(_example, _html, read) { read.reports.any? { |report| report.code == :html } },
    "pictures" => ->(_example, html, _read) { html.at_css("img") },
    "titles of links" => ->(_example, html, _read) { html.at_css("a[title]") },
    "targets that lead nowhere from here" => ->(_example, _html, read) { read.reports.any? { |report| report.code == :target } },
    "headings of level five and six" => ->(_example, html, _read) { html.at_css("h5, h6") },
    "words behind the language of code" => ->(_example, _html, read) { read.reports.any? { |report| report.code == :code_info } }
  }.freeze

  READ = 652
  WITHIN = 453
  AS_SPECIFIED = 453

  def test_every_example_is_read_and_all_its_words_are_kept
    kept = examples.count do |example|
      doc = read(example).doc
      assert_empty Document::Check.problems(doc), "example #{example.number}"
      missing = words(html(example.html).text).tally.reject { |word, count| words(Document::Text.of(doc)).count(word) >= count }
      puts "#{example.number} #{missing}" if missing.any?
      missing.empty?
    end
    assert_equal READ, kept
  end

  def test_examples_that_keep_to_what_the_tree_has_are_rendered_as_specified
    within = examples.reject { |example| lacking(example) }
    wrong = within.reject { |example| shape(html(example.html)) == shape(ours(example)) }
    wrong.first(3).each { |example| puts "#{example.number}:\n#{example.markdown}\n#{shape(html(example.html))}\n#{shape(ours(example))}" }
    assert_equal [], wrong.map(&:number)
    assert_equal [ WITHIN, AS_SPECIFIED ], [ within.size, within.size - wrong.size ]
  end

  private

  def examples
    @examples ||= File.read(SPEC, encoding: "UTF-8").scan(/^`{32} example\n(.*?)^\.\n(.*?)^`{32}$/m).each_with_index.map do |(markdown, html), i|
      Example.new(i + 1, markdown.tr("→", "\t"), html.tr("→", "\t"))
    end
  end

  def read(example)
    (@read ||= {})[example.number] ||= Markup::MarkdownReader.read(example.markdown)
  end

  def html(text)
    Nokogiri::HTML5.fragment(text)
  end

  def lacking(example)
    LACKING.find { |_name, lacks| lacks.call(example, html(example.html), read(example)) }&.first
  end

  def words(text)
    text.unicode_normalize(:nfc).scan(/[\p{L}\p{N}]+/)
  end

  # Headings stand a level lower here, under the page's title.
  def ours(example)
    fragment = html(Markup::HTML.write(read(example).doc))
    fragment.css("h2, h3, h4, h5").each { |heading| heading.name = "h#{heading.name[1].to_i - 1}" }
    fragment
  end

  # What is equal for two renderings that mean the same: blocks as they nest; in lines, stretches of text with the marks that
  # they bear, in whatever order these were written; white space as a browser shows it; paragraphs of items open or not.
  def shape(fragment)
    fragment.css("li > p").each { |paragraph| paragraph.replace(Nokogiri::XML::Node.new("x-p", fragment.document).tap { |node| node.children = paragraph.children }) }
    blocks(fragment).gsub("<p></p>", "").gsub(/<\/?x-p>/, "")
  end

  INLINE = %w[em strong a code s].freeze

  def blocks(node)
    node.children.chunk_while { |one, other| [ one, other ].all? { |each| line?(each) } }.map do |run|
      next line(run) if line?(run.first)
      next "<hr>" if run.first.name == "hr"
      next "<pre>#{run.first.text.sub(/\n+\z/, "")}</pre>" if run.first.name == "pre"

      start = %( start="#{run.first["start"]}") if run.first["start"].to_s != "1" && run.first["start"]
      "<#{run.first.name}#{start}>#{blocks(run.first)}</#{run.first.name}>"
    end.join
  end

  def line?(node)
    node.text? || INLINE.include?(node.name) || node.name == "br" || node.comment?
  end

  def line(nodes)
    pieces = nodes.flat_map { |node| pieces(node, []) }.chunk_while { |one, other| one.last == other.last }.map { |run| [ run.map(&:first).join.gsub(/[ \n]+/, " "), run.first.last ] }
    pieces.map { |text, marks| marks.empty? ? text : "[#{text}|#{marks.sort.join(",")}]" }.join.gsub("[ |br]", "\n").gsub("\n[ ", "\n[").gsub(/ *\n */, "\n").gsub(/ +/, " ").strip
  end

  # @return [Array(String, Array<String>)] stretches of text with their marks
  def pieces(node, marks)
    return [ [ node.text, marks ] ] if node.text?
    return [ [ "\n", [ "br" ] ] ] if node.name == "br"
    return [] if node.comment?

    mark = node.name == "a" ? "a=#{CGI.unescape(node["href"]).sub(/\A[a-z]+:/i, &:downcase)}" : node.name
    node.children.flat_map { |child| pieces(child, (marks + [ mark ]).uniq) }
  end
end
