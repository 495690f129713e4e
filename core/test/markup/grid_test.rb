require_relative "../test_helper"

class GridTest < Minitest::Test
  include Zuhause

  def test_csv_with_either_separator
    [ "Stage,Grit\nVikness,\"two, or\nthree\"\n", "\uFEFFStage;Grit\r\nVikness;\"two, or\r\nthree\"\r\n", "Stage\tGrit\nVikness\t\"two, or\nthree\"" ].each do |text|
      table = Markup::Grid.read(text)
      assert_equal [ %w[header_cell header_cell], %w[cell cell] ], table["content"].map { |row| row["content"].map { |cell| cell["type"] } }, text
      assert_equal [ "Stage\nGrit", "Vikness\ntwo, or\nthree" ], table["content"].map { |row| Document::Text.of(row) }, text
    end
  end

  def test_what_is_no_table
    [ "", "one\ntwo", "\"never closed,\n", "\n\n" ].each { |text| assert_nil Markup::Grid.read(text), text }
    [ "a\tb", "a\tb\nc", "a, b\nc, d" ].each { |text| assert_nil Markup::Grid.pasted(text), text }
    assert_equal 2, Markup::Grid.pasted("a\tb\nc\td\n")["content"].size
  end

  def test_there_and_back
    random = Random.new(SEED)
    generate(100) do
      rows = Array.new(1 + random.rand(4)) { Array.new(2 + random.rand(3)) { [ "", "a", "1,5", "say \"x\"", "c;d", "e\tf", "two\nlines" ].sample(random: random) } }
      rows.first[0] = "head"
      doc = { "type" => "doc", "content" => [ Markup::Grid.read(rows.map { |row| CSV.generate_line(row) }.join, separator: ",") ] }
      table = Document.accept(doc).doc["content"].first
      again = Markup::Grid.read(Markup::Grid.write(table), separator: ",")
      assert_equal Document::Ids.strip(table), Document::Normal.form(again).first, "SEED=#{SEED}"
    end
  end

  def test_formulas_are_made_inert
    table = Markup::HTMLReader.read("<table><tr><td>=1+1<td>+47 12<td>-5 °C<td>+1+cmd|' /C x'!A0<td>@x</table>").doc["content"].first
    assert_equal "'=1+1,+47 12,-5 °C,'+1+cmd|' /C x'!A0,'@x\r\n", Markup::Grid.write(table, inert: true)
  end

  def test_spans
    table = Markup::HTMLReader.read("<table><tr><td rowspan=2>a<td>b<tr><td>c</table>").doc["content"].first
    assert_equal "a,b\r\n,c\r\n", Markup::Grid.write(table)
  end
end
