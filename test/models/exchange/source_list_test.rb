require "test_helper"

class SourceListTest < ActiveSupport::TestCase
  Bibliography = Zuhause::Exchange::Bibliography
  WORKS = [
    { key: "abc", title: "Salt & ice: 100 % of the NASA", author: "Berg, Ann; Harbour Office; van Beethoven, Ludwig", publisher: "Quay & Press", address: "https://x.example/a_b?c=d&e=%20#f", date: "2021-03", accessed: "2026-11-02" },
    { key: "b", title: "What {Is} \\ the ~ of Things^2 _ $ #", author: "Šťastný, Ærik", date: "2019" }
  ].map { |work| Bibliography::Work.new(**work) }.freeze

  test "bibtex there and back" do
    assert_equal WORKS, SourceList.read(Bibliography.bibtex(WORKS))
  end

  test "bibtex as others write it" do
    works = SourceList.read(<<~'BIB')
      % comment
      @string{qp = "Quay Press"}
      @article{one, title = {{The} Winter Gangway of the Alps}, author = {Ann Berg and Bo L{\"u}nd}, journal = qp, year = 2019, month = mar, url = {https://x.example/one}}
      @book{three, langid = {english}, title={lower case Title: a Subtitle & 100\% $x^2$}, editor={Ludwig van Beethoven}, publisher={A \& B}, date={2021-03-05/2021-04}}
      @misc{two, note = "no title"}
    BIB
    assert_equal [ [ "The Winter Gangway of the Alps", "Berg, Ann; Lünd, Bo", "Quay Press", "2019-03", "https://x.example/one" ],
                   [ "lower case Title: a Subtitle & 100% x^2", "van Beethoven, Ludwig", "A & B", "2021-03-05", "" ] ],
                 works.map { |work| [ work.title, work.author, work.publisher, work.date, work.address ] }
  end

  test "what is neither is refused" do
    [ "", "hello", "@book{", "\xff\xfe", "{" * 5000, "@book{a, title = {x}, crossref = {a}", "@misc{two, note = \"no title\"}" ].each do |text|
      assert_raises(Bibliography::Unreadable, text.inspect[0, 20]) { SourceList.read(text) }
    end
  end
end
