require "application_system_test_case"

# Files are brought in: read by themselves while one waits or leaves, looked at, made pages.
class BringingInSystemTest < ApplicationSystemTestCase
  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana, open: true)
    sign_in_as @ana
  end

  test "files are read by themselves, and become pages once they have been looked at" do
    visit "/arrivals/new?above=#{@room.public_id}"
    ActiveJob::Base.queue_adapter = :test # jobs wait, as they do while others are done
    attach_file "Files", [ Rails.root.join("test/files/dot.png"), Rails.root.join("docs/access.md") ].map(&:to_s)
    click_on "Read them"
    assert_selector "h1", text: "What is brought in"
    assert_selector ".work [role=status]", text: "It begins in a moment."
    assert_accessible
    ActiveJob::Base.queue_adapter = :inline
    Work.last.run
    assert_selector "h1", text: "What will be brought in"
    assert_selector ".arrived li", count: 1, text: "access.md"
    assert_accessible
    click_on "Make these pages"
    assert_selector "[role=status]", text: "1 page has been made"
    assert_equal [ "The rules of access" ], Page.pluck(:title)
    find("summary .me").click
    click_on "Long work"
    click_on "Reading a text"
    assert_selector ".work [role=status]", text: "It is done."
    assert_no_link "Look at it"
  ensure
    ActiveJob::Base.queue_adapter = :inline
  end
end
