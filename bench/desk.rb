require_relative "links"

# The maintenance desk and the health of a room of 2,000 pages in the large house, with something in every list: as a reader of all, of
# half, and a guest of twenty pages.
class DeskBench
  include Measuring

  QUESTIONS = 500
  NOTES = 2_000
  ANSWERS = 1_000
  SHOWN = 2_000 # live inserts, and as many citations
  DAYS = 3_000

  def initialize(house)
    @house = house
  end

  def run
    @house.open_to_some
    ActiveRecord::Base.transaction do
      fill
      ActiveRecord::Base.connection.execute("ANALYZE")
      sign_in "p7@bench.example"
      floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
      { "p7" => "a reader of all", "p8" => "a reader of half", "guest" => "a guest of twenty pages" }.each do |who, name|
        clear_cookies
        sign_in "#{who}@bench.example"
        puts "#{name}: #{told(who)}"
        look(floor)
      end
      raise ActiveRecord::Rollback
    end
  end

  private

  def look(floor)
    measure("the desk, of all that one sees", floor) { visit "/desk?of=house" }
    measure("the same, where somebody publishes each time", floor) { bump && visit("/desk?of=house") }
    measure("overdue checks", floor) { visit "/desk/lists/overdue?of=house" }
    measure("pages drawn from what has changed", floor) { visit "/desk/lists/changed?of=house" }
    room = Room.find(1)
    get "/rooms/#{room.public_id}/health"
    return puts("the room is closed") unless last_response.status == 200

    measure("health of a room: #{last_response.body[/[\d,]+ of [\d,]+ pages/]}", floor) { visit "/rooms/#{room.public_id}/health" }
  end

  def told(who)
    scope = DeskScope.new(Viewer.new(Person.find_by!(email: "#{who}@bench.example")), of: "house")
    Desk.new(scope).counts.values.reduce(:merge).map { |name, count| "#{count} #{name}" }.join(", ")
  end

  def bump
    ActiveRecord::Base.connection.execute("UPDATE versions SET number = random() WHERE name = 'links'")
    true
  end

  def fill
    LinksBench.new(@house).send(:fill)
    @pages = Page.where(own_list: false).order(:id).pluck(:id, :public_id)
    @person = Person.find_by!(email: "p9@bench.example")
    Room.all.each { |room| CheckRule.of(room).set(1, by: @person) }
    CheckDate.update_all("due_on = date('now', ((page_id % 100) - 10) || ' days')")
    CheckDate.where("page_id % 7 = 0").update_all("base_at = datetime('now', '-400 days'), since = date('now', '-400 days')")
    Page.where("id % 7 = 0").update_all("created_at = datetime('now', '-500 days')")
    some(200) { |id| { page_id: id, person_id: @person.id, words: "Old", created_at: Time.current } }.then { |rows| OutOfDateMark.insert_all!(rows) }
    talk
    point
    TextDate.insert_all!(some(DAYS) { |id, _key, i| { page_id: id, day: Date.current - (i % 400), block_id: "x", words: "then" } })
  end

  def talk
    Remark.insert_all!(some(QUESTIONS) { |id, key, i| { public_id: "q#{i.to_s.rjust(9, "0")}", kind: "question", page_id: id, author_id: @person.id, body: "Why?", created_at: Time.current } })
    Remark.insert_all!(some(NOTES) { |id, key, i| { public_id: "n#{i.to_s.rjust(9, "0")}", kind: "note", page_id: id, author_id: @person.id, body: "Hm.", created_at: Time.current } })
    HelpAnswer.insert_all!(some(ANSWERS) { |id, _key, _i| { page_id: id, person_id: @person.id, helped: false, created_at: Time.current } })
  end

  def point
    source = Source.enter({ title: "A work" }, by: @person)
    source.update_columns(created_at: 2.years.ago)
    rows = some(SHOWN) { |id, _key, i| reference(id, "insert", "page", @pages[-1 - i].last) } + some(SHOWN) { |id, _key, _i| reference(id, "cite", "source", source.public_id) }
    rows.each_slice(1_000) { |slice| Reference.insert_all!(slice) }
  end

  def reference(page_id, use, kind, id)
    { page_id: page_id, stage: "edition", use: use, target_kind: kind, target_id: id, target: "#{kind}:#{id}", label: "", context: "" }
  end

  # Rows for so many pages, spread over the house.
  def some(number)
    Array.new(number) { |i| yield(*@pages[i * 37 % @pages.size], i) }.uniq { |row| row[:page_id] }
  end
end
