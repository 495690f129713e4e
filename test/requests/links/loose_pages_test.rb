require "test_helper"

# Pages that nothing leads to.
class LoosePagesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @front = new_page("Start", above: @room, by: @ana)
    @drills, @below = new_page("Drills", above: @room, by: @ana), nil
    @below = new_page("Fire", above: @drills, by: @ana)
    @room.update!(front_page: @front)
    sign_in @ben
  end

  def loose(of = nil)
    get "/desk/loose", params: { show: of }.compact
    assert_response :success
    css_select(".rows .row-main").map(&:text)
  end

  def link(page, *others)
    save_text(page.reload, others.map { |other| "[x](page:#{other.public_id})" }.join(" "), by: @ana)
    page.publish(version: page.draft.version, by: @ana)
  end

  test "what nothing links to, front pages apart, and what no front page leads to by links and down the plan" do
    assert_equal %w[Drills Fire], loose
    assert_equal %w[Drills Fire], loose("unreached")
    link(@front, @drills)
    assert_equal %w[Fire], loose
    assert_empty loose("unreached")
    link(@front)
    link(@drills, @below)
    assert_equal %w[Drills], loose
    assert_equal %w[Drills Fire], loose("unreached")
    get "/desk"
    assert_select ".desk a", text: /1 page is loose/
  end

  test "a promise that it keeps and a link in the plan lead to it, its own links and drafts do not" do
    link(@drills, @drills)
    save_text(@front.reload, "[x](page:#{@below.public_id})", by: @ana)
    assert_equal %w[Drills Fire], loose
    save_text(@front.reload, "[x](promise:Signals)", by: @ana)
    @front.publish(version: @front.draft.version, by: @ana)
    new_page("Signals", above: @room, by: @ana)
    assert_equal %w[Drills Fire], loose
    new_page("Ropes", above: @room, by: @ana)
    assert_equal %w[Drills Fire Ropes], loose
    Page.find_by!(title: "Ropes").put_in_bin(by: @ana)
    Signpost.create!(kind: "link", title: "Drills", target: "page:#{@drills.public_id}", above: @room)
    assert_equal %w[Fire], loose
    Signpost.create!(kind: "link", title: "In a fire", target: "page:#{@below.public_id}", above: @room)
    assert_empty loose
  end

  test "a link from a page that somebody may not read leads nowhere for them, and closed pages are told to nobody" do
    rota = new_page("Rota", above: @closed, by: @ana)
    link(rota, @drills)
    assert_equal %w[Drills Fire], loose
    sign_in @ana
    assert_equal %w[Fire Rota], loose.sort
    assert_equal 2, LoosePages.new(viewer(@ana)).count
  end

  test "one key puts a link where it belongs, into the draft, for who may write there" do
    loose
    assert_empty css_select("[data-change]")
    sign_in @ana
    assert_equal %w[Drills Fire], loose
    assert_equal [ "Link it on “Start”: Drills", "Link it on “Drills”: Fire" ], css_select("button[data-change]").map { |button| button["aria-label"] }
    post "/desk/loose", params: { page: @drills.public_id, on: @front.public_id }
    assert_redirected_to "/desk/loose?of=house"
    assert_match(/\[Drills\]\(page:#{@drills.public_id}\)/, Zuhause::Markup::MarkdownWriter.write(@front.reload.draft.document))
    assert_equal 1, @front.edition.number
    sign_in @ben
    post "/desk/loose", params: { page: @drills.public_id, on: @front.public_id }
    assert_response :forbidden
  end
end
