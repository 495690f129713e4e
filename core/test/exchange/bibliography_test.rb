require_relative "../test_helper"

class BibliographyTest < Minitest::Test
  include Zuhause

  WORK = Exchange::Bibliography::Work.new(key: "abc", title: "Salt & ice: 100 % of it", author: "Berg, Ann; Harbour Office", publisher: "Quay Press", address: "https://x.example/a_b?c=d&e=%20#f",
                                          date: "2021-03", accessed: "2026-11-02")

  NOT_BIBTEX = ->(_text) { raise Exchange::Bibliography::Unreadable }

  def test_csl_there_and_back
    written = Exchange::Bibliography.csl([ WORK ])
    assert_equal [ WORK ], Exchange::Bibliography.read(written, &NOT_BIBTEX)
    assert_equal({ "date-parts" => [ [ 2021, 3 ] ] }, JSON.parse(written).first["issued"])
  end

  def test_csl_as_others_write_it
    written = [ { id: 7, title: "What <i>is</i> <span class=\"nocase\">Salt</span>\n here", editor: [ { family: "Beethoven", given: "Ludwig", "dropping-particle": "van", suffix: "Jr." }, { literal: "Harbour Office" } ],
                  "container-title": "Quay <b>Press</b>", issued: { raw: "about 1900" } }, { title: "" }, "nothing" ]
    work, = works = Exchange::Bibliography.read(written.to_json, &NOT_BIBTEX)
    assert_equal 1, works.size
    assert_equal [ "What is Salt here", "van Beethoven, Ludwig, Jr.; Harbour Office", "Quay Press", "about 1900" ], [ work.title, work.author, work.publisher, work.date ]
  end

  def test_bibtex_is_written_so_that_nothing_in_it_is_taken_for_its_own
    written = Exchange::Bibliography.bibtex([ WORK, Exchange::Bibliography::Work.new(key: "b", title: "A {b} \\c ~d") ])
    assert_includes written, "@misc{abc,\n  title = {{Salt \\& ice: 100 \\% of it}},\n  author = {Berg, Ann and {Harbour Office}},"
    assert_includes written, "@book{b,\n  title = {{A \\{b\\} \\textbackslash{}c \\textasciitilde{}d}}\n}"
  end

  def test_titles_are_said_to_be_of_no_language_for_those_of_english_lose_their_case
    seen = nil
    bibtex = "@article{one,\n  langid = {english},\n  title = {A Name}\n}\n@string{a = \"b\"}\n"
    Exchange::Bibliography.read(bibtex) { |text| (seen = text) && [ WORK.to_h ].to_json }
    assert_equal "@article{one, langid = {und},\n  waslangid = {english},\n  title = {A Name}\n}\n@string{a = \"b\"}\n", seen
  end

  def test_what_has_no_works_in_it_is_refused
    [ "{\"a\":", "[1, 2]", "[]", "[" * 5000, "[#{" " * Exchange::Bibliography::LARGEST}]" ].each do |text|
      assert_raises(Exchange::Bibliography::Unreadable, text.inspect[0, 20]) { Exchange::Bibliography.read(text, &NOT_BIBTEX) }
    end
  end
end
