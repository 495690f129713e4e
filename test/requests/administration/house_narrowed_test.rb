require "test_helper"

# Narrower settings say first what they close, counted; what was given is kept.
class HouseNarrowedTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @eve, @ana = person("Eve Alm", office: "administrator"), person("Ana Berg")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
    sign_in @eve
  end

  def set(**settings)
    patch house_path, params: { house: settings }
  end

  def assert_said(words, **settings)
    before = House.current.attributes
    set(**settings)
    assert_select ".exposure", text: words
    assert_equal before, House.current.attributes
    patch house_path, params: { house: settings, confirmed: 1 }
    assert_redirected_to edit_house_path
    assert_equal settings.transform_values(&:to_s), House.current.attributes.symbolize_keys.slice(*settings.keys).transform_values { |value| { true => "1", false => "0" }.fetch(value, value).to_s }
  end

  def assert_made_at_once(**settings)
    set(**settings)
    assert_redirected_to edit_house_path
  end

  test "addresses of circles, those that hold alone" do
    House.current.update!(circles: true)
    Circle.draw(@page, level: "read", ends_on: Date.current + 3, by: @ana)
    Circle.renew(@room, level: "read", by: @ana)
    Circle.draw(@page, level: "read", ends_on: Date.current + 3, by: @eve) # who does not keep it
    assert_said(/2 addresses let nobody in any more/, circles: "0")
    assert_equal 3, Circle.standing.count
    assert_made_at_once(circles: "1")
  end

  test "invitations by keepers, and of domains" do
    House.current.update!(invited_by_keepers: "members", joining_domains: "ternholm.example")
    [ [ @ana, @room, "guest" ], [ @ana, @page, "member" ], [ @eve, nil, "member" ] ].each_with_index do |(by, place, role), i|
      Inviting.new(viewer(by), place: place).then { |inviting| inviting.invite(inviting.asked(Zuhause::Inviting::MailAddresses.new("a#{i}@x.example").entries, Hash.new(:read)), role: role.to_sym) }
    end
    Invitation.join("new@ternholm.example")
    assert_equal 4, Invitation.untaken.count
    assert_said(/1 invitation that waits/, invited_by_keepers: "guests")
    assert_said(/1 invitation that waits/, joining_domains: "")
    assert_said(/1 invitation that waits/, invited_by_keepers: "nobody")
    assert_equal 1, Invitation.untaken.count(&:holds?)
  end

  test "requests to join wait still" do
    House.current.update!(asking_to_join: true)
    JoinRequest.create!(email: "otto@x.example", name: "Otto", sent_at: Time.current, asked_at: Time.current)
    assert_said(/1 request to join waits still/, asking_to_join: "0")
    assert_equal 1, JoinRequest.waiting.count
  end

  test "what has waited longer in the bin, with all that went along" do
    below = new_page("Below", above: @page, by: @ana)
    travel(-20.days) { @page.put_in_bin(by: @ana) }
    new_page("Lately", above: @room, by: @ana).put_in_bin(by: @ana)
    assert_made_at_once(bin_days: "25")
    assert_said(/2 pages in the bin .* erased for good/, bin_days: "10")
    assert_equal 2, Page.empty_bins
    assert_not Page.exists?(below.id)
  end

  test "who has read, and what is sought" do
    House.current.update!(gathers_sought: true, tells_readers: true)
    assert_said(/Nobody sees any more who has read the 1 published page/, tells_readers: "0")
    Sought.create!(wording: "sand", digest: "1", answered: false, day: Date.current)
    assert_said(/1 search/, gathers_sought: "0")
  end

  test "what will not do is told beside its field, not looked at first" do
    set(bin_days: "0", circles: "0")
    assert_response :unprocessable_entity
    assert_select ".wrong"
  end

  test "wider settings, and narrower ones that close nothing, are made at once" do
    [ { circles: "1" }, { circles: "0" }, { tells_readers: "1" }, { gathers_sought: "1" }, { gathers_sought: "0" }, { invited_by_keepers: "members" }, { invited_by_keepers: "nobody" } ].each { |settings| assert_made_at_once(**settings) }
  end
end
