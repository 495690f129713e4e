require "test_helper"

class BranchTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @drills = new_page("Drills", above: @room, by: @ana)
    @overboard = new_page("Man overboard", above: @drills, by: @ana)
    @signals = new_page("Signals", above: @room, by: @ana)
  end

  test "a branch holds what stands directly there, with the number of pages below" do
    assert_equal [ [ "Drills", 1 ], [ "Signals", 0 ] ], items(@ben)
    assert_equal [ [ "Man overboard", 0 ] ], items(@ben, @drills)
  end

  test "a page whose parent is not seen hangs from the nearest page above that is" do
    deep = new_page("Ladder", above: @overboard, by: @ana)
    @overboard.make_own_list(by: @ana)
    @overboard.grant(holder(:everyone), :none)
    deep.reload.make_own_list(by: @ana)
    deep.grant(holder(:everyone), :read)
    assert_equal [ [ "Drills", 1 ], [ "Signals", 0 ] ], items(@ben)
    assert_equal [ [ "Ladder", 0 ] ], items(@ben, @drills)
    assert_equal [ [ "Man overboard", 1 ] ], items(@ana, @drills)
  end

  test "numbers of pages below tell nothing of what is not seen" do
    new_page("Draft", above: @drills, by: @ana, publish: false)
    assert_equal [ [ "Drills", 1 ], [ "Signals", 0 ] ], items(@ben)
    assert_equal [ [ "Drills", 2 ], [ "Signals", 0 ] ], items(@ana)
  end

  test "several branches take as many queries as one" do
    5.times { |i| new_page("Page #{i}", above: @drills, by: @ana) }
    ben = viewer(@ben).tap { |one| [ one.list_ids(:read), one.reviewed_ids, PutAside.known(one) ] }
    one, more = [ [ @room ], [ @room, @drills, @signals, @overboard ] ].map { |above| queries { Branch.load(ben, @room, above) } }
    assert_equal one, more
  end

  test "a long branch is shown in parts, that with the open page first" do
    pages = Array.new(Branch::MOST + 40) { |i| Page.begin(title: "Page #{i}", above: @signals, by: @ana) }
    branch = Branch.load(viewer(@ana), @room, [ @signals ]).fetch(@signals)
    assert_equal Branch::MOST, branch.items.size
    assert_equal 0, branch.beginning_for([ pages.first ])
    from = branch.beginning_for([ pages[90] ])
    assert_includes branch.items(from: from).map(&:page), pages[90]
  end

  test "headings and links stand before a page and stay where they are when it goes" do
    heading = signpost("heading", "In winter", before: @signals)
    assert_equal [ "Drills", "In winter", "Signals" ], titles
    @drills.move(to: @room, after: @signals)
    assert_equal [ "In winter", "Signals", "Drills" ], titles
    @signals.reload.move(to: @room, after: @drills.reload)
    assert_equal [ "In winter", "Drills", "Signals" ], titles
    @signals.reload.move(to: @room, after: nil, behind: heading.reload)
    assert_equal [ "In winter", "Signals", "Drills" ], titles
    @signals.put_in_bin(by: @ana)
    assert_equal [ "In winter", "Drills" ], titles
    @signals.erase
    assert_equal [ "In winter", "Drills" ], titles
    @drills.reload.put_in_bin(by: @ana)
    assert_equal [ "In winter" ], titles
  end

  test "signposts are put before a page, behind each other, and at the end" do
    one = signpost("heading", "One", before: @signals)
    two = signpost("heading", "Two", before: @signals)
    assert_equal [ "Drills", "One", "Two", "Signals" ], titles
    one.reload.stand(above: @room, before: @signals, behind: two.reload)
    assert_equal [ "Drills", "Two", "One", "Signals" ], titles
    one.reload.stand(above: @room, before: nil)
    assert_equal [ "Drills", "Two", "Signals", "One" ], titles
  end

  test "a link of the plan is there only for who sees the page it leads to" do
    hidden = new_page("Wages", above: new_room("Pay", keeper: @ana), by: @ana)
    signpost("link", "How pay works", target: "page:#{hidden.public_id}")
    signpost("link", "Weather", target: "https://weather.example/")
    assert_equal [ "Drills", "Signals", "Weather" ], titles(@ben)
    assert_equal [ "Drills", "How pay works", "Signals", "Weather" ].sort, titles(@ana).sort
    assert_not Signpost.new(room: @room, kind: "link", title: "x", target: "javascript:alert(1)").valid?
  end

  test "who sees only a page of a room sees none of the room's signposts" do
    signpost("heading", "In winter")
    gus = person("Gus Finn", role: "guest")
    @signals.grant(holder(gus), :read)
    assert_equal [ "Signals" ], titles(gus)
  end

  test "signposts go along to another room" do
    post = signpost("heading", "Ashore", above: @drills)
    @drills.move(to: new_room("Ashore", keeper: @ana))
    assert_equal @drills.reload.room, post.reload.room
  end

  private

  def signpost(kind, title, above: @room, before: nil, target: nil)
    Signpost.new(kind: kind, title: title, target: target).tap { |post| post.stand(above: above, before: before) }
  end

  def items(person, above = @room)
    Branch.load(viewer(person), @room, [ above ]).fetch(above).items.map { |item| [ item.page.title, item.size ] }
  end

  def titles(person = @ana)
    Branch.load(viewer(person), @room, [ @room ]).fetch(@room).items.map { |item| (item.page || item.signpost).title }
  end
end
