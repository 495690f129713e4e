require "test_helper"

# What must not be got at by going round: the bin, erased pages, counts.
class RightsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cem = person("Ana Berg"), person("Ben Holt"), person("Cem Aydin")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@ben), :write)
    @page = new_page("Gangway", above: @room, by: @ana)
    @secret = new_page("Wages", above: @page, by: @ana, markdown: "Sums.")
    @below = new_page("Bonus", above: @secret, by: @ana)
    @secret.make_own_list(by: @ana)
    @secret.grant(holder(@ben), :none)
    @secret.grant(holder(:everyone), :none)
  end

  test "pages with lists of their own that one may not write stay when what they stand in goes, and their keepers are told" do
    open_below = new_page("Sand", above: @page, by: @ana)
    @page.put_in_bin(by: @ben)
    assert_equal [ true, true, false, false ], [ @page, open_below, @secret, @below ].map { |page| page.reload.binned? }
    assert_equal [ @room, @secret ], [ @secret.above, @below.above ]
    assert_equal :none, viewer(@ben).level_on(@secret)
    assert_equal [ [ @ana.email, "Wages stands further up now" ] ], SentMail.pluck(:recipient, :subject)
    assert_equal "stayed", Happening.of_access.where(page: @secret).last.then { |happening| happening.act if happening.person == @ben }
    assert_empty HouseCheck.run
  end

  test "whoever keeps them takes them along" do
    @page.put_in_bin(by: @ana)
    assert @page.subtree.all?(&:binned?)
    assert_empty SentMail.all
  end

  test "erasing takes what was put there with it and nothing else" do
    @page.put_in_bin(by: @ana)
    @room.grant(holder(@ben), :keep)
    assert_equal 1, @page.reload.erase(by: @ben)
    assert_equal [ @secret, @secret ], [ @secret, @below ].map { |page| page.reload.bin_root }
    assert_equal @room, @secret.above
    assert_equal 0, @below.erase
    assert_equal 2, @secret.erase(by: @ana)
    assert_empty HouseCheck.run
  end

  test "a page that is kept cannot be erased, and none can stand below itself, whatever is asked of the database" do
    assert_raises(ActiveRecord::StatementInvalid) { Page.connection.execute("DELETE FROM pages WHERE id = #{@below.id}") }
    assert_raises(ActiveRecord::StatementInvalid) { @secret.update_columns(ancestry: "/#{@page.id}/#{@secret.id}/") }
    assert_raises(ActiveRecord::StatementInvalid) { @page.update_columns(ancestry: "/#{@secret.id}/") }
    assert_equal 0, @page.erase
  end

  test "that a page is gone is told to those alone to whom it was open" do
    pointing = new_page("Signals", above: @room, by: @ana, markdown: "[Pay](page:#{@secret.public_id}) and [sand](page:#{@below.public_id}) and [none](page:zzzzzzzzzz).")
    sand = new_page("Sand", above: @room, by: @ana)
    save_text(pointing, "[Pay](page:#{@secret.public_id}), [sand](page:#{sand.public_id}), [none](page:zzzzzzzzzz).", by: @ana)
    pointing.reload.publish(version: pointing.draft.version, by: @ana)
    [ @page, sand ].each { |page| page.put_in_bin(by: @ana) && page.erase(by: @ana) }
    assert_equal [ %w[sand], %w[Pay sand] ], [ @ben, @ana ].map { |who| gone(pointing, who) }
    assert_equal [], gone(pointing, nil)
    assert_operator AccessList.where(id: Tombstone.select(:access_list_id)).count, :>=, 2
  end

  test "nothing of closed pages changes the order of what others find" do
    first = new_page("One", above: @room, by: @ana, markdown: "grit alpha")
    second = new_page("Two", above: @room, by: @ana, markdown: "grit beta")
    asked = [ "grit alp", "grit bet", "grit", "alpha grit", "grit beta" ]
    before = asked.map { |words| found(words) }
    closed = new_room("Pay", keeper: @cem)
    40.times { |i| new_page("Alpha #{i}", above: closed, by: @cem, markdown: "alpha alpha alpha") }
    assert_equal before, asked.map { |words| found(words) }
    assert_includes before.flatten, first
    assert_includes before.flatten, second
  end

  private

  def found(words)
    Search.new(words, viewer(@ben)).results.map(&:page) + Suggestions.new(words, viewer(@ben)).pages
  end

  def gone(page, who)
    html = ShownDocument.new(page.reload.edition, page: page, viewer: viewer(who)).to_html
    Nokogiri::HTML5.fragment(html).css(".link-gone").map { |link| link.text.sub(/ \(.*/, "") }
  end
end
