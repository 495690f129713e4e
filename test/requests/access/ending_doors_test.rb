require "test_helper"

# In houses made by chance, where what is given ends on a day or is closed in between, each door says on each day what a second
# statement of the rules says, and lists tell nothing else.
class EndingDoorsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  HOUSES, DAYS = ENV["LONG"] ? [ 20, 8 ] : [ 2, 3 ]
  DOORS = [ "", "/editions", "/linked-from", "/files", "/thread", "/remarks", "/peek?at=0", "/related", "/written-by", "/since?from=1", "/access" ].freeze
  MAY = { read: 1, comment: 2, write: 3, keep: 4 }.freeze

  HOUSES.times do |number|
    test "each door on each day, in house #{number}" do
      @random = Random.new((SEED * 100) + number)
      build
      today = Date.current
      DAYS.times do |day|
        travel_to (today + day).to_time.change(hour: 12)
        close if day.positive?
        @people.each { |person| ask(person) }
      end
    end
  end

  private

  def build
    @ana = person("Ana Berg")
    @people = [ person("Ben Holt"), person("Cy Moor", role: "guest"), person("Dee Lund") ]
    @groups = Array.new(2) { |i| group("Group #{i}", *@people.sample(2, random: @random)) }
    @room = new_room("On Board", keeper: @ana)
    @pages = []
    8.times { |i| @pages << new_page("Page quell#{("a".ord + i).chr}", above: [ @room, *@pages ].sample(random: @random), by: @ana) }
    [ @room, *@pages, *@pages ].each { |place| give(place) if @random.rand(3).positive? }
    @pages.sample(2, random: @random).each { |page| page.reload.make_own_list(by: @ana) }
    @people.each { |person| Follow.begin(person, @pages.first, below: true) }
  end

  def give(place)
    to = [ *@people, *@groups, :everyone ].sample(random: @random)
    place.reload.grant(holder(to), %i[read comment write].sample(random: @random), ends_on: [ nil, *(0..DAYS).map { |day| Date.current + day } ].sample(random: @random))
  end

  # Takes something away by hand.
  def close
    grant = AccessGrant.where.not(person_id: @ana.id).or(AccessGrant.where(person_id: nil)).where(page: @pages).or(AccessGrant.where(room: @room).where.not(level: :keep)).to_a.sample(random: @random)
    grant&.place&.reload&.grant(grant.to_grant.holder, :none)
  end

  # The rules in the plainest words: something that counts today, given here or above, up to the first page with a list of its own.
  def sees?(person, page)
    places = [ page, *page.ancestors.to_a.reverse ]
    at = places.index(&:own_list?)
    places = at ? places.first(at + 1) : [ *places, page.room ]
    AccessGrant.where(page: places.grep(Page)).or(AccessGrant.where(room: places.grep(Room))).any? do |grant|
      next false if grant.ends_on && grant.ends_on < Date.current

      grant.person_id == person.id || (grant.group && grant.group.people.include?(person)) || (grant.holder == "everyone" && person.member?)
    end
  end

  def ask(person)
    reset!
    sign_in person
    get "/"
    seen, unseen = @pages.map(&:reload).partition { |page| sees?(person, page) }
    (seen.sample(2, random: @random) + unseen).each { |page| doors(person, page, open: seen.include?(page)) }
    token = FeedKey.of(person).token
    [ "/", "/pages", "/changes", "/changes?small=1", "/news?show=all", "/desk", "/feeds/#{token}/changes", "/feeds/#{token}/news", *unseen.flat_map { |page| %w[find suggestions page_choices place_choices].map { |name| "/#{name}?q=#{word(page)}" } } ].each do |path|
      get path
      body = response.body.gsub(/q=quell.|“quell.”|value="quell.|quell. ?—/, "")
      unseen.each { |page| assert_no_match(/Page #{word(page)}/, body, "SEED=#{SEED}: #{path} for #{person.name} on #{Date.current}") }
    end
    get "/pages"
    assert_equal seen.map { |page| word(page) }.sort, response.body.scan(/Page (quell.)/).flatten.uniq.sort, person.name
  end

  def doors(person, page, open:)
    (ENV["LONG"] ? DOORS : [ "", *DOORS.sample(3, random: @random) ]).each do |door|
      get "/p/#{page.to_param}#{door}"
      assert_equal open, response.status != 404, "SEED=#{SEED}: #{door} of #{page.title} for #{person.name} on #{Date.current}"
    end
  end

  def word(page)
    page.title.split.last
  end
end
