require "test_helper"

# What is given up to a day: it counts that day and no longer through every door, is told of, renewed and lifted.
class EndingAccessTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
    @friday = Date.current + 4
  end

  test "it counts up to its last day: in levels, lists, finding and who can read" do
    @page.grant(holder(@ben), :write, ends_on: @friday)
    seen = [ 0, 4, 5 ].map do |days|
      travel(days.days) do
        viewer = Viewer.new(@ben)
        [ viewer.level_on(@page.reload), Page.seen_by(viewer).count, Page.writable_by(viewer).count, Search.new("text", viewer).pages.any?, @page.audience.levels.size, ToldAudience.of(@page, viewer).writers ]
      end
    end
    assert_equal [ [ :write, 1, 1, true, 2, 2 ] ] * 2 + [ [ :none, 0, 0, false, 1, 1 ] ], seen
  end

  test "the day is that of the house, wherever somebody says they are" do
    @page.grant(holder(@ben), :read, ends_on: @friday)
    @ben.update!(time_zone: "American Samoa")
    travel_to(@friday + 1.day + 3.hours) { Time.use_zone("American Samoa") { assert_equal [ @friday, :none ], [ Date.current, Viewer.new(@ben).level_on(@page.reload) ] } }
    travel_to(@friday + 20.hours) { Time.use_zone("Auckland") { assert_equal [ @friday + 1, :read ], [ Date.current, Viewer.new(@ben).level_on(@page.reload) ] } }
  end

  test "more up to a day falls back to what there was" do
    @room.grant(holder(@ben), :read)
    @room.grant(holder(@ben), :write, ends_on: @friday)
    assert_equal 2, @room.access_grants.where(person: @ben).count
    assert_equal %i[write read], [ @friday, @friday + 1 ].map { |day| travel_to(day) { Viewer.new(@ben).level_on(@page.reload) } }
    ending = @room.access_grants.ending.first
    @room.grant(holder(@ben), :none, instead: ending)
    assert_equal [ "read" ], @room.access_grants.where(person: @ben).pluck(:level)
  end

  test "nobody keeps a place only up to a day" do
    assert_raises(Placed::NoKeeper) { @room.grant(holder(@ana), :keep, ends_on: @friday) }
    assert_raises(Placed::NoKeeper) { @room.exposure_of_giving([ holder(@ana) ], :keep, ends_on: @friday) }
    @room.grant(holder(@ben), :keep)
    @room.grant(holder(@ana), :keep, ends_on: @friday)
    assert_not @ben.change(role: "guest")
  end

  test "those who have it and those who keep the place are told ahead and at the end, once" do
    travel_to(10.days.ago) { @page.grant(holder(@ben), :read, ends_on: @friday) }
    subjects = lambda do |day|
      before = SentMail.maximum(:id).to_i
      travel_to(day) { 2.times { EndingAccess.new(Date.current).run } }
      SentMail.where("id > ?", before).order(:id).pluck(:recipient, :subject).map { |to, subject| "#{to[/\A\w+/]}: #{subject}" }
    end
    assert_empty subjects.(@friday - 4)
    day = I18n.l(@friday, format: :day_and_year)
    assert_equal [ "ben: What is open to you at Gangway ends on #{day}", "ana: What Ben Holt has at Gangway ends on #{day}" ], subjects.(@friday - 2)
    assert_empty subjects.(@friday)
    assert_equal [ "ben: Something at Ternholm Ferries is no longer open to you", "ana: What Ben Holt had at Gangway has ended" ], subjects.(@friday + 1)
    assert_not_includes SentMail.where(recipient: @ben.email).last.body, "angway"
    assert_empty subjects.(@friday + 2)
    travel_to(@friday + 40) { EndingAccess.new(Date.current).run }
    assert_empty @page.access_grants.reload
    assert_empty HouseCheck.run.map(&:what)
  end

  test "renewed before the end, nothing is told at the old one" do
    travel_to(10.days.ago) { @page.grant(holder(@ben), :read, ends_on: @friday) }
    @page.grant(holder(@ben), :read, ends_on: @friday + 30, instead: @page.access_grants.ending.first)
    assert_no_difference("SentMail.count") { travel_to(@friday + 1) { EndingAccess.new(Date.current).run } }
  end
end
