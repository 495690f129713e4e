require "test_helper"

# What stands in files is found on the pages that show them, by whoever reads those.
class FileTextTest < ActiveSupport::TestCase
  setup do
    set_up_house
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = showing("Ticket office", "closing.txt", "#{"nothing\n" * 45}The spare key hangs behind the calendar.\n", @room)
  end

  test "it is read apart, and found with the place" do
    assert_empty found("spare key calendar")
    assert_equal 1, FileText.catch_up
    result = found("spare key calendar").first
    assert_equal [ @page, "closing.txt", "41" ], [ result.page, result.section.heading, result.section.place ]
    assert_equal @file.id, result.section.page_file_id
    answer = Search.new("where is the spare key", viewer(@ben)).answer
    assert_equal [ "The spare key hangs behind the calendar.", true ], [ answer.passage.text, answer.sure ]
    assert_equal 0, FileText.catch_up
  end

  test "a later edition keeps it while it shows the file, and no longer" do
    FileText.catch_up
    save_text(@page, "More.\n\n::: embed {file=\"#{@file.public_id}\"}\n:::", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal [ @page ], found("spare key calendar").map(&:page)
    save_text(@page.reload, "Gone.", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    assert_empty found("spare key calendar")
    assert_equal 0, WordCount.where(word: "calendar").sum(:sections)
  end

  test "the same bytes are read once, and tell nothing where one may not read" do
    closed = new_room("Ideas", keeper: @ana)
    showing("Secret", "closing.txt", "#{"nothing\n" * 45}The spare key hangs behind the calendar.\n", closed)
    assert_equal 1, FileText.catch_up
    assert_equal [ @page ], found("spare key calendar").map(&:page)
    assert_equal [ "Secret", "Ticket office" ], found("spare key calendar", @ana).map { |result| result.page.title }.sort
  end

  test "a broken PDF is looked at once, and stops nothing" do
    showing("Broken", "broken.pdf", "%PDF-1.4 rubbish", @room)
    assert_equal 2, FileText.catch_up
    assert_equal 0, FileText.catch_up
    assert_equal [ @page ], found("spare key calendar").map(&:page)
  end

  test "pages of a PDF" do
    pdf = Rails.root.join("demo/rooms/3-ashore/files/winter-timetable.pdf").binread
    page = showing("Timetable", "times.pdf", pdf, @room)
    FileText.catch_up
    assert_equal [ page, "1" ], found("weekdays leaves arrives Vikness").first.then { |result| [ result.page, result.section.place ] }
  end

  private

  def showing(title, name, text, above)
    page = new_page(title, above: above, by: @ana, publish: false)
    @file = PageFile.take(upload(name, text), page: page, by: @ana)
    save_text(page, "See here.\n\n::: embed {file=\"#{@file.public_id}\"}\n:::", by: @ana)
    page.publish(version: page.draft.version, by: @ana)
    page
  end

  def found(text, who = @ben)
    Search.new(text, viewer(who)).results
  end
end
