require "test_helper"

# Links to pages that are not written yet.
class PromisesTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Koll"), person("Ben Rasch")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @page = new_page("Gangway", above: @deck, by: @ana, markdown: "A [list](<promise:Box list>) and [more](promise:box-lists).")
  end

  test "one page keeps all that is promised under its title, in whatever room and spelling" do
    other = new_page("Pay", above: @crew, by: @ana, markdown: "[x](<promise:BOX LIST>)")
    written = new_page("Box lists", above: @deck, by: @ana)
    assert_equal [ [ "boxlist", written.id ] ], Promise.pluck(:title, :page_id)
    assert_equal [ @page.id, other.id ].sort, LinkedFrom.new(written, Viewer.new(@ana)).by_room(limit: 9).map { |link| link.page.id }.sort
    [ @page, other ].each { |page| assert_includes shown(page, @ana), written.to_param }
  end

  test "a German page's promises are compared as German ones, also when it becomes one later" do
    @page.update!(language: "de")
    save_text(@page, "[x](promise:Fahrpläne)", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    written = new_page("Fahrplan", above: @deck, by: @ana)
    assert_equal [ "fahrplan" ], Promise.where(page: written).pluck(:title)
    assert_includes shown(@page.reload, @ana), written.to_param
    @page.update!(language: nil)
    assert_equal [ "fahrplane" ], @page.links.distinct.pluck(:target_id)
    assert_empty Reference.astray
  end

  test "where two could be meant, the chosen one is, but for those who may not see it" do
    first, second = new_page("Box list", above: @deck, by: @ana), new_page("Box list", above: @crew, by: @ana)
    assert_includes shown(@page, @ana), first.to_param
    Promise.find_by!(page: second).choose
    assert_includes shown(@page, @ana), second.to_param
    assert_includes shown(@page, @ben), first.to_param
    Promise.find_by!(page: first).choose
    assert_includes shown(@page, @ana), first.to_param
    assert_raises(ActiveRecord::RecordNotUnique) { Promise.where(title: "boxlist").update_all(chosen: true) }
  end

  test "when titles are compared otherwise, all rows are worked out anew" do
    written = new_page("Box list", above: @deck, by: @ana)
    Promise.update_all(title: "as it was before")
    Reference.where(target_kind: "promise").update_all(target_id: "as it was before")
    Reference.rebuild
    assert_includes Promise.pluck(:title, :page_id), [ "boxlist", written.id ]
    assert_includes shown(@page, @ana), written.to_param
  end

  private

  def shown(page, who)
    ShownDocument.new(page.reload.edition, page: page, viewer: Viewer.new(who)).to_html
  end
end
