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
    assert_selector "h1", text: "What will be brought in", wait: 30
    assert_selector ".arrived li", count: 1
    assert_field "Title of the page from access.md", with: "The rules of access"
    assert_accessible
    click_on "Make these pages"
    assert_selector "[role=status]", text: "1 page has been made"
    assert_equal [ "The rules of access" ], Page.pluck(:title)
    find("summary .me").click
    click_on "Long work"
    click_on "Reading a text"
    assert_selector ".work [role=status]", text: "It is done."
  ensure
    ActiveJob::Base.queue_adapter = :inline
  end

  test "where pages of the same titles stand already one says which of them counts, before any are made" do
    gangway = new_page("Gangway", above: @room, by: @ana, markdown: "Ours.")
    visit "/arrivals/new"
    attach_file "Files", packed("gangway.md" => "# Gangway\n\nTheirs.", "ramp.md" => "# Ramp\n\nOf the [gangway](gangway.md).")
    click_on "Read them"
    select "On Board", from: "Below"
    assert_text "Who can read there: Everyone here."
    assert_text "1 page of the same title is there already"
    select "Take theirs as draft", from: "Gangway"
    assert_accessible
    click_on "Look at “Gangway” as it will be"
    assert_selector ".arrived-original", text: "# Gangway"
    assert_accessible
    click_on "Make these pages"
    assert_text "1 draft holds what came"
    assert_accessible
    click_on "Gangway"
    assert_selector "h1", text: "Compare Gangway"
    assert_text "Theirs."
    assert_equal "Ours.", Zuhause::Document::Text.of(gangway.reload.edition.document)
    assert_equal [ gangway.public_id ], Page.find_by!(title: "Ramp").links.where(use: "link").pluck(:target_id)
  end

  test "a folder as a ZIP file is looked at, its tree changed, made pages, and taken back" do
    files = { "manual/index.md" => "# The manual\n\nSee [the gangway](deck/gangway.md#in-ice).", "manual/deck/gangway.md" => "# Gangway\n\n## In ice\n\nBack to [all](../index.md), or [none](gone.md).", "manual/deck/ramp.md" => "# Ramp", "manual/old.md" => "# Old words" }
    visit "/arrivals/new?above=#{@room.public_id}"
    attach_file "Files", packed(files)
    click_on "Read them"
    assert_selector "h1", text: "What will be brought in", wait: 30
    assert_titles "The manual", "deck", "Gangway", "Ramp", "Old words"
    assert_text "an empty page for what stands below"
    assert_accessible
    click_on "Look at “Gangway” as it will be"
    assert_selector ".arrived-text .text", text: "Back to all"
    assert_accessible
    uncheck "Bring in “Old words”"
    fill_in "Title of the page from manual/deck/ramp.md", with: "The ramp\n"
    find_field("Title of the page from manual/deck/ramp.md").send_keys(%i[alt arrow_up])
    assert_titles "The manual", "deck", "The ramp", "Gangway", "Old words"
    within("[data-spoken]") { click_on "Undo" }
    assert_titles "The manual", "deck", "Gangway", "The ramp", "Old words"
    find_field("Title of the page from manual/deck/ramp.md").send_keys(%i[alt arrow_left])
    assert_titles "The manual", "deck", "Gangway", "The ramp", "Old words"
    expect_problem("422")
    fill_in "Title of the page from manual/index.md", with: " \n"
    assert_selector "[data-spoken]", text: "can't be blank"
    fill_in "Title of the page from manual/index.md", with: "All of it\n"
    assert_no_selector "[aria-invalid=true]"
    click_on "Links to what did not come"
    assert_selector "td", text: "gone.md"
    assert_accessible
    click_on "Back to what is brought in"
    choose "Published pages"
    select "On Board", from: "Below"
    click_on "Make these pages"
    assert_selector "h1", text: "What has been brought in"
    assert_accessible
    click_on "Look at it"
    click_on "the gangway"
    assert_selector "h1", text: "Gangway"
    assert_equal [ [ "All of it", "deck" ], [ "All of it" ] ], [ "Gangway", "The ramp" ].map { |title| Page.find_by!(title: title).ancestors.map(&:title) }
    assert_not Page.exists?(title: "Old words")
    visit "/arrivals/new"
    click_on "4 pages, made"
    click_on "Take all of it back"
    assert_selector "[role=status]", text: "4 pages are in the bin"
    assert_not Page.kept.exists?
  end

  test "a folder that is chosen is sent some files at a time" do
    Dir.mktmpdir do |folder|
      FileUtils.mkdir_p(File.join(folder, "manual/deck"))
      45.times { |i| File.write(File.join(folder, "manual/deck", "#{i}.md"), "# Page #{i}\n\nWords.") }
      File.write(File.join(folder, "manual/index.md"), "# The manual")
      visit "/arrivals/new"
      attach_file "Or a whole folder", File.join(folder, "manual")
      click_on "Read them"
      assert_selector "h1", text: "What will be brought in", wait: 60
      assert_selector ".lead", text: "47 pages would be made"
      assert_field "Title of the page from manual/deck/44.md", with: "Page 44"
    end
  end

  private

  def packed(files)
    @path = Rails.root.join("tmp/manual-#{Process.pid}.zip").to_s
    File.binwrite(@path, Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string)
    @path
  end

  teardown { File.delete(@path) if @path && File.exist?(@path) }

  def assert_titles(*titles)
    assert_selector "input[name=title]", count: titles.size
    titles.each_with_index { |title, i| assert_selector(:xpath, "(//input[@name='title'])[#{i + 1}]") { |field| field.value == title } }
  end
end
