require "test_helper"

class LinkedFromTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room, @hidden = new_room("On Board", keeper: @ana, open: true), new_room("Ideas", keeper: @ana)
    @salt = new_page("Salt", above: @room, by: @ana)
  end

  test "pages that link here or show it are told by title, a page once, with the words around its first link, and only those one may read" do
    link = "[salt](page:#{@salt.public_id})"
    new_page("Winter", above: @room, by: @ana, markdown: "First #{link} here. Then #{link} there.")
    new_page("autumn", above: @room, by: @ana, markdown: "::: live_insert {page=\"#{@salt.public_id}\"}\n:::\n\nAnd #{link}.")
    new_page("Secret", above: @hidden, by: @ana, markdown: "See #{link}.")
    save_text(@salt, "Myself: #{link}.", by: @ana)
    @salt.publish(version: @salt.draft.version, by: @ana)
    pointing = LinkedFrom.new(@salt, Viewer.new(@ben))
    assert_equal [ [ "autumn", "And salt." ], [ "Winter", "First salt here. Then salt there." ] ], pointing.links.map { |each| [ each.page.title, each.context ] }
    assert_equal [ 2, 1, [ "autumn" ] ], [ pointing.count, pointing.count_of_shown_on, pointing.shown_on.map(&:title) ]
    assert_equal %w[autumn Secret Winter], LinkedFrom.new(@salt, Viewer.new(@ana)).links.map { |each| each.page.title }
  end

  test "a title that was promised leads to the page that kept it in its room" do
    new_page("Here", above: @room, by: @ana, markdown: "See [grit](promise:Grit).")
    new_page("There", above: @hidden, by: @ana, markdown: "See [grit](promise:Grit).")
    first, second = [ @room, @hidden ].map { |room| new_page("Grit", above: room, by: @ana) }
    told = [ first, second ].map { |page| LinkedFrom.new(page, Viewer.new(@ana)).links.map { |each| each.page.title } }
    assert_equal [ %w[Here], %w[There] ], told
  end

  test "many are told part by part, with no more queries than few" do
    viewer = Viewer.new(@ben).tap { |one| one.list_ids(:read) }
    make = ->(numbers) { numbers.each { |i| new_page(format("Page %02d", i), above: @room, by: @ana, markdown: "[x](page:#{@salt.public_id})") } }
    make.call(1..2)
    few = queries { LinkedFrom.new(@salt, viewer).links }
    make.call(3..23)
    pointing = LinkedFrom.new(@salt, viewer)
    assert_equal few, queries { pointing.links }
    assert_equal [ 23, 20, [ "Page 21", "Page 22", "Page 23" ] ], [ pointing.count, pointing.links.size, pointing.links(offset: 20).map { |link| link.page.title } ]
  end
end
