# Who sees what in the large house: all that a guest can open, the lists of what is open to guests, and looking as somebody else beside
# being them.
class InvitingBench
  include Measuring

  def initialize(house)
    @house = house
  end

  def run
    Review.transaction do
      guest, keeper = prepare
      sign_in "p7@bench.example"
      floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
      measure("all that a guest can open (#{Reach.new(guest, Viewer.new(keeper)).count} pages)", floor) { visit "/people/#{guest.public_id}/reach" }
      measure("what is open to guests", floor) { visit "/pages?of=guests" }
      measure("all pages, each with its audience", floor) { visit "/pages" }
      measure("colleagues", floor) { visit "/colleagues" }
      page = Page.read_by(Viewer.new(guest)).giving(Viewer.new(keeper), :keep).order(:id).first
      measure("looking at a page as the guest", floor) { look_as(guest) { visit "/p/#{page.to_param}" } }
      sign_out
      sign_in guest.email
      measure("that page, read by the guest", floor) { visit "/p/#{page.to_param}" }
      raise ActiveRecord::Rollback
    end
  end

  private

  # A guest whom many pages are given by name and by group, and an administrator who keeps the rooms they stand in.
  def prepare
    keeper = Person.find_by!(email: "p7@bench.example").tap { |person| person.update!(office: "administrator") }
    guest = Person.create!(name: "Bench Guest", email: "guest@bench.example", password: "under-the-eaves", role: "guest")
    group = Group.create!(name: "Bench yard", people: [ guest ])
    rooms = Room.shared.in_order.limit(6).to_a
    Happening.quietly do
      rooms.each_with_index do |room, i|
        room.grant(holder(:person, keeper.id), :keep)
        room.pages.roots.order(:position).limit(6).each { |page| page.grant(i.even? ? holder(:person, guest.id) : holder(:group, group.id), :read, ends_on: (House.today + 30 if i == 2)) }
      end
    end
    [ guest, keeper ]
  end

  def holder(kind, id)
    Zuhause::Access::Holder.new(kind, id)
  end

  def look_as(guest)
    unless @looking
      visit "/people/#{guest.public_id}/reach"
      post "/look-as", { authenticity_token: last_response.body[/name="csrf-token" content="([^"]+)"/, 1], who: "person:#{guest.public_id}" }
      @looking = true
    end
    yield
  end

  def sign_out
    clear_cookies
  end
end
