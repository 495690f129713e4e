require_relative "../test_helper"

class FrontMatterTest < Minitest::Test
  include Zuhause

  def test_title_language_and_what_is_left
    front = read("---\ntitle: \"Gangway: in ice\"\nlang: de-CH\ntags: [ice, deck]\ndate: 2026-01-05\ndraft:\n---\nText\n")
    assert_equal [ "Gangway: in ice", "de-CH", "Text\n", [ "tags: ice, deck", "date: 2026-01-05" ] ], [ front.title, front.language, front.text, front.rest ]
    assert_equal [ "Salt", "Text" ], read("---\r\ntitle: Salt\r\n---\r\nText").then { |one| [ one.title, one.text ] }
    assert_equal [ "Salt", [ "weight: 3" ], "Text" ], read("+++\ntitle = 'Salt'\nweight = 3\n+++\nText").then { |one| [ one.title, one.rest, one.text ] }
  end

  def test_what_no_parser_takes_is_read_line_by_line
    front = read("---\ntitle: Ice: and: salt\nx: [\n---\nText")
    assert_equal [ "Ice: and: salt", "Text" ], [ front.title, front.text ]
    [ "---\nx: !ruby/object:Object {}\n---\n", "---\na: &a [*a]\n---\n", "---\ntitle: [1, 2]\n---\n", "---\n? {a: b}\n: c\nd: e\n---\n" ].each { |text| assert_nil read(text).title, text }
  end

  def test_lines_across_the_page_are_none
    [ "---\n\nTwo words\n\n---\nText", "Text\n---\ntitle: x\n---\n", "--- x\ntitle: x\n---\n", "---\ntitle: x\n", "---\ntitle: #{"x" * 30_000}\n---\nText", "" ].each { |text| assert_equal [ nil, text ], read(text).then { |front| [ front.title, front.text ] } }
  end

  private

  def read(text)
    Exchange::FrontMatter.new(text)
  end
end
