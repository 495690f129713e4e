require "test_helper"

# Where the files of a page are used, as far as whoever looks may know.
class PageFilesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page, @other = %w[Gangway Rope].map { |title| new_page(title, above: @room, by: @ana) }
    @hidden = new_page("Pay", above: new_room("Wages", keeper: @ana), by: @ana)
    @file = PageFile.take(upload, page: @page, by: @ana)
    show(@page, "The second rope")
    [ @other, @hidden ].each { |page| show(page, "Again, on #{page.title}") }
    @page.reload.cover_with(upload, by: @ana)
  end

  test "each with every place, on other pages too, and none of a page that is closed" do
    sign_in @ben
    get "/p/#{@page.to_param}/files"
    assert_select ".row-main", 2
    assert_select ".place", text: /The second rope/
    assert_select ".place", text: "Rope Again, on Rope"
    assert_select ".place", text: "Its cover or its icon"
    assert_select ".place", text: /Pay/, count: 0
    sign_in @ana
    get "/p/#{@page.to_param}/files"
    assert_select ".place b", text: "Pay"
  end

  test "a draft's file is met by who writes, and many cost no more queries than few" do
    save(@page, [ figure(PageFile.take(dot("b.png"), page: @page, by: @ana), "Fresh rope"), *@page.draft.document["content"] ], publish: false)
    sign_in @ben
    get "/p/#{@page.to_param}/files"
    assert_select ".row-main", text: "b.png", count: 0
    sign_in @ana
    get "/p/#{@page.to_param}/files" # what every screen carries is made anew
    few = queries { get "/p/#{@page.to_param}/files" }
    assert_select ".place", text: /Fresh rope.*draft/m
    save(@page, Array.new(6) { |i| figure(PageFile.take(upload("#{i}.svg"), page: @page, by: @ana), "Picture #{i}") }, publish: true)
    get "/p/#{@page.to_param}/files" # what every screen carries is made anew
    assert_in_delta few, queries { get "/p/#{@page.to_param}/files" }, 2
  end

  private

  def upload(name = "rope.svg")
    ActionDispatch::Http::UploadedFile.new(tempfile: StringIO.new("<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9'><rect width='9' height='9'/></svg>"), filename: name)
  end

  def dot(name)
    ActionDispatch::Http::UploadedFile.new(tempfile: Rails.root.join("test/files/dot.png").open("rb"), filename: name)
  end

  def figure(file, caption)
    { "type" => "figure", "attrs" => { "file" => file.public_id, "alt" => "A rope" }, "content" => [ { "type" => "text", "text" => caption } ] }
  end

  # Shows the file of the first page.
  def show(page, caption)
    save(page, page.draft.document["content"] + [ figure(@file, caption) ], publish: true)
  end

  def save(page, blocks, publish:)
    saved = page.reload.save_draft(State.new(title: page.title, document: { "type" => "doc", "content" => blocks }), base_version: page.draft.version, by: @ana)
    page.publish(version: saved.version, by: @ana) if publish
  end
end
