require "test_helper"
require "minitest/mock"

class CopyingWorkTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @top = new_page("Drills", above: @room, by: @ana)
    @below = Array.new(20) { |i| new_page("Drill #{i}", above: @top, by: @ana, markdown: "# Begin\n\nBack to [drills](page:#{@top.public_id}).\n\n[x](mention:#{@ben.public_id})") }
    heading = @below.last.edition.document["content"].first.dig("attrs", "id")
    save_text(@top, "See [the last](page:#{@below.last.public_id}##{heading}).", by: @ana) && @top.reload.publish(version: @top.draft.version, by: @ana)
    @deep = new_page("Deep", above: @below.first, by: @ana)
    SentMail.delete_all
  end

  test "many pages are copied in portions, and appear together" do
    work = start
    assert_equal [ "done", 22, 22 ], work.reload.then { |one| [ one.state, one.total, one.done ] }
    copy = work.result
    assert_equal [ "Drills again", @room, 20 ], [ copy.title, copy.room, copy.children.size ]
    last = copy.children.find_by!(title: "Drill 19")
    assert_equal [ "page:#{last.public_id}##{last.edition.document["content"].first.dig("attrs", "id")}" ], targets(copy)
    assert_equal "page:#{copy.public_id}", targets(last).first
    assert_equal [ "Deep" ], copy.children.find_by!(title: "Drill 0").children.map(&:title)
    assert_equal 22, Happening.where(act: "begun", page: copy.subtree).count
    assert_equal 20, SentMail.where(recipient: @ben.email).count, "who is named learns of it once it can be read"
    assert_empty HouseCheck.run
  end

  test "while it is under way nobody meets a copy, in the bin neither" do
    work = waiting
    task = Copying.new(work)
    task.do(task.portions.first)
    under_way = Page.where(id: work.pages_under_way.select(:page_id))
    assert_equal Copying::PORTION, under_way.count
    [ Page.kept, Page.seen_by(viewer(@ana)), Page.in_bin_of(viewer(@ana)), Page.bin_roots.merge(Page.binned) ].each { |pages| assert_empty pages.where(id: under_way) }
    assert_equal 0, Page.empty_bins(now: 1.year.from_now)
    assert_equal 0, Happening.where(page: under_way).count
  end

  test "what was left is taken up where it was, once" do
    work = waiting
    task = Copying.new(work)
    task.do(task.portions.first)
    Work.where(id: work.id).update_all(state: "running", updated_at: 1.hour.ago, done: Copying::PORTION)
    WorkJob.perform_now
    assert_equal [ "done", 22 ], work.reload.then { |one| [ one.state, Page.kept.where(id: one.result.subtree).count ] }
    assert_no_difference(-> { Page.count }) { 2.times { WorkJob.perform_now && work.run } }
  end

  test "what is stopped leaves nothing" do
    work = waiting
    task = Copying.new(work)
    task.do(task.portions.first)
    assert_difference(-> { Page.count }, -Copying::PORTION) { work.stop }
    assert_equal [ "stopped", 0 ], work.reload.then { |one| [ one.state, one.pages_under_way.count ] }
    work.run
    assert_equal "stopped", work.reload.state
  end

  test "it is judged at each portion whether it may be done; what fails leaves nothing, and says why" do
    other = new_room("Ashore", keeper: @ben)
    other.grant(holder(@ana), :write)
    work = waiting(to: other)
    task = Copying.new(work)
    task.do(task.portions.first)
    other.reload.grant(holder(@ana), :none)
    assert_difference(-> { Page.count }, -Copying::PORTION) { work.run }
    assert_equal %w[failed place], work.reload.then { |one| [ one.state, one.problem ] }

    Copier.stub(:new, ->(*, **) { raise "not well" }) { (@broken = waiting).run }
    assert_equal %w[failed unknown], @broken.reload.then { |one| [ one.state, one.problem ] }
  end

  test "a title that will not do starts nothing" do
    assert_no_difference(-> { Work.count }) { assert_nil @top.copy_by_work(to: @room, viewer: viewer(@ana), title: " ", publish: true) }
    assert_predicate @top.errors[:title], :any?
  end

  private

  def start(to: @room)
    @top.reload.copy_by_work(to: to, viewer: viewer(@ana), title: "Drills again", publish: true)
  end

  # Before any job takes it up.
  def waiting(to: @room)
    WorkJob.stub(:perform_later, true) { start(to: to) }
  end

  def targets(page)
    Zuhause::Links.in(page.draft.document).map { |link| link.target.to_s }
  end
end
