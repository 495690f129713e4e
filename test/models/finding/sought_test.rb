require "test_helper"

# What several people sought and did not find, without who they were.
class SoughtTest < ActiveSupport::TestCase
  setup do
    set_up_house
    @people = %w[Ana Ben Cleo Dan].map { |name| person("#{name} Berg") }
    room = new_room("On Board", keeper: @people.first, open: true)
    new_page("Lost property", above: room, by: @people.first, markdown: "Bicycles are kept for a year.")
  end

  test "it is told from three people on, in whatever case and with whatever signs they ask" do
    ask("Season ticket?", @people[0], @people[1], @people[1])
    assert_empty Sought.told
    ask("season TICKET", @people[2])
    told = Sought.told.first
    assert_equal [ "season ticket", 3, Date.current ], [ told.wording, told.people, told.day ]
    assert_equal 1, Sought.count_of_told
    assert_equal told, Sought.told_of(told.key)
  end

  test "nothing that is kept leads to a person, or from one wording to another of the same person" do
    ask("season ticket", @people[0])
    ask("ferry", @people[0])
    rows = Sought.all.map { |row| row.attributes.except("id", "wording", "answered", "opened", "day") }
    assert_equal [ %w[digest], %w[digest] ], rows.map(&:keys)
    assert_equal 2, rows.uniq.size
    rows.each { |row| assert_no_match(/\b#{@people[0].id}\b/, row["digest"].tr("a-f", "g")) if @people[0].id > 99 }
  end

  test "what is answered, and opened by somebody, is not told; answered and never opened is" do
    ask("how long are bicycles kept", *@people.first(3))
    assert_equal [ "how long are bicycles kept" ], Sought.told.map(&:wording)
    Sought.opened("How long are bicycles kept?", viewer(@people[2]))
    assert_empty Sought.told
  end

  test "searches that are narrowed down, or by somebody who is not signed in, are not gathered, nor any where the house does not" do
    narrowed = Search.new("ferry", viewer(@people[0]), filters: SearchFilters.new({ has: "tasks" }, viewer(@people[0])))
    Sought.note(narrowed, viewer(@people[0]))
    Sought.note(Search.new("ferry", viewer(nil)), viewer(nil))
    assert_equal 0, Sought.count
    House.current.update!(gathers_sought: false)
    ask("season ticket", *@people)
    assert_equal 0, Sought.count
  end

  test "whether some were answered is not told" do
    closed = new_room("Ideas", keeper: @people.first)
    new_page("Wages", above: closed, by: @people.first, markdown: "A captain earns forty crowns an hour.")
    assert Search.new("what does a captain earn", viewer(@people.first)).answer.sure
    ask("what does a captain earn", *@people.first(3))
    before = Sought.told.map(&:to_h)
    Sought.delete_all
    ask("what does a captain earn", *@people.last(3))
    assert_equal before, Sought.told.map(&:to_h)
  end

  test "what is no text is no wording" do
    assert_nil Sought.wording_of("\xFF\xFE".b.force_encoding("UTF-8"))
    assert_nil Sought.wording_of([ "?" ] * 3)
  end

  test "what is old, seen to, or gathered no more is forgotten" do
    ask("season ticket", *@people.first(3), on: 200.days.ago.to_date)
    ask("ferry licence", *@people.first(3))
    Sought.forget
    assert_equal [ "ferry licence" ], Sought.told.map(&:wording)
    Sought.forget("ferry licence")
    assert_empty Sought.told
    ask("ferry licence", *@people.first(3))
    House.current.update!(gathers_sought: false)
    ForgetSoughtJob.perform_now
    assert_equal 0, Sought.count
  end

  private

  def ask(text, *people, on: Date.current)
    people.each { |one| Sought.note(Search.new(text, viewer(one)), viewer(one), on: on) }
  end
end
