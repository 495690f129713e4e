require "test_helper"

# Linking names that stand in texts without a link, through their doors.
class UnlinkedNamesRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers, ReadsNames

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @gangway = new_page("Gangway", above: @room, by: @ana, markdown: "Grit.")
    @watch = new_page("Watch", above: @room, by: @ana, markdown: "The gangway waits.\n\nOne more gangway.")
    @rota = new_page("Rota", above: @room, by: @ana, markdown: "Gangway, then deck.")
    @rota.grant(holder(@ben), :write)
    sign_in @ben
  end

  test "the desk, the page and its list tell the same, with ticks where one may write" do
    get "/desk"
    assert_select ".desk a", text: /1 page is named without a link/
    get "/desk/names"
    assert_select ".rows li", text: /Gangway.*named in 2 texts/m
    get "/p/#{@gangway.to_param}"
    assert_select "a[href='#{page_unlinked_names_path(@gangway)}']", text: "Named without a link in 2 texts"
    get "/p/#{@gangway.to_param}/unlinked"
    assert_select ".named-in", 2
    assert_select "input[type=checkbox]", 1
    assert_select "mark", 3
  end

  test "what is ticked is linked in the draft, is not offered again, and nothing is published" do
    row = UnlinkedName.find_by!(page: @rota)
    post "/p/#{@gangway.to_param}/unlinked", params: { rows: [ row.id, UnlinkedName.find_by!(page: @watch).id ] }
    follow_redirect!
    assert_select ".said", text: /linked in the draft of 1 page.*1 place is left/m
    assert_match(/\[Gangway\]\(page:#{@gangway.public_id}\), then deck/, markdown(@rota))
    assert_no_match(/page:/, markdown(@watch))
    assert_equal 1, @rota.reload.edition.number
    assert_select ".named-in", 1
    sign_in @ana
    get "/p/#{@gangway.to_param}/unlinked"
    assert_select ".named-in", 1
    sign_in person("Cy Moor")
    get "/p/#{@gangway.to_param}/unlinked"
    assert_select ".named-in", 2
  end

  test "where the draft says something else the place is left, where it moved within its block it is linked" do
    sign_in @ana
    rows = UnlinkedName.where(page: @watch).order(:id).to_a
    save_text(@watch.reload, "Say that the gangway waits.\n\nOne more rope.", by: @ana)
    post "/p/#{@gangway.to_param}/unlinked", params: { rows: rows.map(&:id) }
    assert_match(/Say that the \[gangway\]\(page:#{@gangway.public_id}\) waits/, markdown(@watch))
    assert_equal 1, markdown(@watch).scan("page:").size
  end

  test "nothing is linked that is not listed: rows of other pages, of closed ones, or none" do
    closed = new_page("Wages", above: new_room("Crew", keeper: @ana), by: @ana, markdown: "The gangway.")
    [ [], [ UnlinkedName.find_by!(page: closed).id ], [ 0 ], [ "x" ] ].each do |rows|
      post "/p/#{@gangway.to_param}/unlinked", params: { rows: rows }
      assert_equal "Tick at least one place.", flash[:alert]
    end
    post "/p/#{@watch.to_param}/unlinked", params: { rows: [ UnlinkedName.find_by!(page: @rota).id ] }
    assert_no_match(/page:/, markdown(@rota))
  end

  private

  def markdown(page)
    Zuhause::Markup::MarkdownWriter.write(page.reload.draft.document)
  end
end
