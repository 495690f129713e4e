require_relative "../test_helper"

class BibliographyTest < Minitest::Test
  include Zuhause

  WORK = Exchange::Bibliography::Work.new(key: "abc", title: "Salt & ice: 100 % of it", author: "Berg, Ann; Harbour Office", publisher: "Quay Press", address: "https://x.example/a_b?c=d&e=%20#f",
                                          date: "2021-03", accessed: "2026-11-02")

  def test_bibtex_there_and_back
    assert_equal [ WORK ], Exchange::Bibliography.read(Exchange::Bibliography.bibtex([ WORK ]))
  end

  def test_csl_there_and_back
    written = Exchange::Bibliography.csl([ WORK ])
    assert_equal [ WORK ], Exchange::Bibliography.read(written)
    assert_equal({ "date-parts" => [ [ 2021, 3 ] ] }, JSON.parse(written).first["issued"])
  end

  def test_bibtex_as_others_write_it
    works = Exchange::Bibliography.read(<<~BIB)
      % comment
      @string{qp = "Quay Press"}
      @article{one, title = {{The} Winter Gangway}, author = {Ann Berg and Bo L{\\"u}nd}, journal = qp, year = 2019, month = mar, url = {https://x.example/one}}
      @misc{two, note = "no title"}
    BIB
    assert_equal [ [ "The Winter Gangway", "Ann Berg; Bo Lünd", "2019-03", "https://x.example/one" ] ], works.map { |work| [ work.title, work.author, work.date, work.address ] }
  end

  def test_what_is_neither_is_refused
    [ "", "hello", "{\"a\":", "[1, 2]", "@book{", "[]", "\xff\xfe", "[" * 5000 ].each do |text|
      assert_raises(Exchange::Bibliography::Unreadable, text.inspect[0, 20]) { Exchange::Bibliography.read(text) }
    end
  end
end
