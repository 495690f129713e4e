require "test_helper"

# Moving in, where the process ends at any moment: what is read is read on, what is made is made on, nobody meets half of it, and
# what comes of it in the end is what would have come of it at once.
class KilledTest < ActiveSupport::TestCase
  include Killing

  TIMES = 4
  PAGES = { "m/index.md" => "# All\n\n[a](a.md#two) [b](b/b.md)", "m/a.md" => "# A\n\n## Two\n\n![dot](dot.png)", "m/b/b.md" => "# B\n\n[a](../a.md), [none](no.md)", "m/b/c.html" => "<h1>C</h1><p><a href='b.md'>b</a></p>",
            "m/b/d.html" => "<h1>D</h1><table><tr><td>1</td></tr></table>", "m/e.txt" => "E", "m/f.md" => "# F\n\n[f](f.md)" }.freeze

  setup do
    @random = Random.new(SEED)
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    ActiveJob::Base.queue_adapter = :test # nothing is taken up but by hand
  end

  teardown { ActiveJob::Base.queue_adapter = :inline }

  test "read on and made on, wherever it ended" do
    stub_const(MovingIn, :PORTION, 3) { tried }
  end

  private

  def tried
    whole = outcome { |work| work.run }
    read, made = whole.shift(2)
    assert_operator [ read, made ].min, :>, 50, "statements"
    TIMES.times do
      ends = { read: @random.rand(read), made: @random.rand(made) }
      assert_equal whole, outcome(**ends) { |work, after| go_on(work, after) }.drop(2), ends.inspect
    end
  end

  # @return [Array] how many statements reading and making took, and what came of it
  def outcome(read: nil, made: nil)
    result = nil
    ApplicationRecord.transaction(requires_new: true, joinable: false) do
      arrival = Arrival.create!(person: @ida, created_at: Time.current)
      arrival.keep([ *PAGES.map { |name, text| [ name, StringIO.new(text) ] }, [ "m/dot.png", Rails.root.join("test/files/dot.png").open ] ])
      steps = [ counted { yield arrival.begin_reading(address: "http://localhost"), read } ]
      steps << counted { yield Arrival.find(arrival.id).move_in(@room, by: @ida, publish: true), made }
      result = steps + told(Arrival.find(arrival.id))
      raise ActiveRecord::Rollback
    end
    result
  end

  def counted
    Thread.current[:statements_left] = 1_000_000
    yield
    1_000_000 - Thread.current[:statements_left].to_i
  ensure
    Thread.current[:statements_left] = nil
  end

  def go_on(work, after)
    there = Page.kept.count
    done = killed_after(after) { work.run }
    assert_includes [ there, there + PAGES.size + 1 ], Page.kept.count, "half of it is seen" unless done
    travel(5.minutes) { WorkJob.perform_now } unless done
  end

  def told(arrival)
    pages = Page.kept.where(room: @room).order(:title)
    [ arrival.work.state, arrival.work.problem, pages.map { |page| [ page.title, page.parent&.title, page.published?, page.links.where(use: "link").count ] }, PageFile.where(page: pages).count,
      Happening.where(act: %w[brought_in begun published]).group(:act).count, SentMail.count, PageUnderWay.count ]
  end
end
