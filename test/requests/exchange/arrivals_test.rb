require "test_helper"

# Bringing in files: looked at first, then made pages or put into a draft.
class ArrivalsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  PIXEL = Base64.strict_encode64(Rails.root.join("test/files/dot.png").binread)

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    sign_in @ida
    get "/" # what is sent by whoever is not signed in yet may be far smaller
  end

  test "several files become pages that link to each other and show their pictures" do
    arrival = bring({ "gangway.md" => "---\ntitle: \"Gangway in ice\"\n---\nSee [salt](./the%20salt.html#x).\n\n![The dot](pictures/dot.png)\n\n<b>x</b>", "the salt.html" => "<h1>Salt &amp; grit</h1><h2>Where</h2><p>Back to <a href='gangway.md'>it</a>.</p><script>alert(1)</script>",
                    "notes.txt" => "One\nline # not a heading\n\n\nTwo", "dot.png" => Rails.root.join("test/files/dot.png").binread, "what.exe" => "MZ" })
    get "/arrivals/#{arrival.public_id}"
    assert_select "input[type=text]", count: 3
    assert_select "[role=alert]", text: /what.exe is of a type/
    assert_select ".arrived-reports", text: /HTML/
    assert_not_includes response.body, "alert(1)"
    assert_no_difference("Page.count") { get "/arrivals/#{arrival.public_id}" }

    patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id, texts: arrival.read.map(&:key), titles: arrival.read.reject(&:problem).to_h { |text| [ text.key, text.title ] } }
    assert_redirected_to "/rooms/#{@room.public_id}"
    gangway, salt, notes = Page.order(:id).to_a
    assert_equal [ "Gangway in ice", "Salt & grit", "notes" ], [ gangway, salt, notes ].map(&:title)
    assert_equal [ [ "page", salt.public_id ] ], gangway.links.where(use: "link").pluck(:target_kind, :target_id)
    assert_equal [ gangway.public_id ], salt.links.pluck(:target_id)
    assert_equal "One\nline # not a heading\nTwo", Zuhause::Document::Text.of(notes.draft.document)
    get "/p/#{gangway.to_param}"
    follow_redirect! if response.redirect?
    assert_select "figure img[alt='The dot']"
    get css_select("figure img").first["src"]
    assert_response :success
    assert_equal "image/png", response.media_type
    assert_not Arrival.exists?
  end

  test "office texts come in with their headings, lists, tables and pictures" do
    %w[docx odt].each do |form|
      arrival = bring({ "Checklist.#{form}" => office(form) })
      text = arrival.read.first
      assert_nil text.problem
      assert_equal "Winter checklist", text.title
      assert_equal %w[heading paragraph bullet_list table figure], text.document["content"].map { |node| node["type"] } & %w[heading paragraph bullet_list table figure]
      assert_equal 1, text.pictures.size
    end
  end

  test "one file is put into a draft, behind what stands there or in its place" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    [ [ "append", "Grit.\nSalt." ], [ "replace", "Salt." ] ].each do |how, text|
      arrival = bring({ "a.md" => "Salt." }, page: page.public_id)
      patch "/arrivals/#{arrival.public_id}", params: { page: page.public_id, how: how }
      assert_redirected_to "/p/#{page.to_param}/draft/edit"
      assert_equal text, Zuhause::Document::Text.of(page.reload.draft.document)
    end
  end

  test "a text put into a draft keeps its heading" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    arrival = bring({ "a.md" => "# Salt\n\nMuch." }, page: page.public_id)
    patch "/arrivals/#{arrival.public_id}", params: { page: page.public_id, how: "append" }
    assert_equal "Grit.\nSalt\nMuch.", Zuhause::Document::Text.of(page.reload.draft.document)
  end

  test "a file dropped into a draft is answered as text, with its pictures on the page and what was lost, and the draft stays" do
    page = new_page("Gangway", above: @room, by: @ida, markdown: "Grit.")
    assert_no_changes(-> { page.reload.draft.document }) do
      drop page, "a.html", "<h1>Salt</h1><p><img src='data:image/png;base64,#{PIXEL}' alt='Dot'></p><h6>Deep</h6><script>alert(1)</script>"
    end
    assert_response :created
    content, files, lost = response.parsed_body.values_at("content", "files", "lost")
    assert_equal "Salt", Zuhause::Document::Text.of(content.first)
    assert_equal [ page ], PageFile.where(public_id: files.keys).map(&:page)
    assert_match(/Headings go down to level 4/, lost.join)
    drop page, "b.md", "---\ntitle: From the front\n---\nText"
    assert_equal [ "From the front", "Text" ], response.parsed_body["content"].map { |node| Zuhause::Document::Text.of(node) }
    { "x.exe" => "MZ", "x.docx" => "PK no" }.each do |name, bytes|
      drop page, name, bytes
      assert_response :unprocessable_entity
      assert_match name, response.parsed_body["error"]
    end
    post "/p/#{page.to_param}/texts", params: { file: "no file" }, headers: { "Accept" => "application/json" }
    assert_response :unprocessable_entity
  end

  test "what cannot be read is told, and nothing hangs or breaks" do
    bomb = Zip::OutputStream.write_buffer { |zip| zip.put_next_entry("word/document.xml") && zip.write("\0" * 210.megabytes) }.string
    arrival = bring({ "broken.docx" => "PK\x03\x04nothing", "bomb.docx" => bomb, "empty.odt" => "" })
    assert_equal %w[unreadable] * 3, arrival.read.map(&:problem)
    post "/arrivals"
    assert_response :unprocessable_entity
    assert_select ".wrong", text: /at least one file/
  end

  test "hostile files leave no live code and no stuck process" do
    Timeout.timeout(40) do
      arrival = bring({ "lists.html" => "<ul><li>" * 120_000, "quotes.md" => "> " * 100_000 + "x", "live.html" => "<p onclick=a()>x<svg onload=b()></svg><iframe srcdoc='<script>c()</script>'></iframe><a href='javascript:d()'>y</a><img src=x onerror=e()></p>",
                        "live.md" => "<script>f()</script> [z](data:text/html,g)", "large.txt" => "word " * 500_000 })
      get "/arrivals/#{arrival.public_id}"
      assert_response :success
      text = css_select(".arrived-text").to_s
      assert_no_match(/<script|<iframe|<svg|onclick|onload|onerror|href="(javascript|data)/, text)
      assert_equal [ nil, nil, nil, nil, "too_much" ], arrival.read.map(&:problem)
      assert_select "main", text: /large\.txt holds more than one page can hold/
      large = arrival.read.last
      patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id, texts: [ large.key ], titles: { large.key => "Large" } }
      assert_not Page.exists?
    end
  end

  test "a title that will not do keeps everything as it was" do
    arrival = bring({ "a.md" => "Salt.", "b.md" => "Grit." })
    patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id, texts: arrival.read.map(&:key), titles: { arrival.read[0].key => "Salt", arrival.read[1].key => " " } }
    assert_response :unprocessable_entity
    assert_not Page.exists?
    assert Arrival.exists?
  end

  test "nobody else meets what somebody brought in, and it is forgotten after a day" do
    arrival = bring({ "a.md" => "Salt." })
    sign_in person("Ben Holt").tap { |ben| new_room("Ideas", keeper: ben) }
    get("/arrivals/#{arrival.public_id}")
    assert_response :not_found
    travel(25.hours) { ForgetArrivalsJob.perform_now }
    assert_not Arrival.exists?
  end

  test "one broken picture spoils nothing else, and is told" do
    dot = Rails.root.join("test/files/dot.png").binread
    arrival = bring({ "gangway.md" => "Before.\n\n![Whole](whole.png)\n\n![Cut](cut.png)\n\nAfter.", "whole.png" => dot, "cut.png" => dot.byteslice(0, dot.bytesize / 2) })
    text = arrival.read.first
    assert_equal 1, text.pictures.size
    assert_includes text.reports.map { |report| report["code"] }, "picture"
    patch "/arrivals/#{arrival.public_id}", params: { above: @room.public_id, texts: [ text.key ], titles: { text.key => "Gangway" } }
    assert_response :see_other
    assert_equal %w[paragraph figure paragraph paragraph], Page.last.draft.document["content"].map { |node| node["type"] }
  end

  test "what all together takes too long is left unread, and told" do
    arrival = stub_const(ReadApart, :MOST_ENDS, 0) { bring({ "a.md" => "Salt.", "b.md" => "Grit." }) }
    assert_equal %w[too_long too_long], arrival.read.map(&:problem)
    get "/arrivals/#{arrival.public_id}"
    assert_select "main", text: /b\.md was not read, since it, or all together, take too long/
  end

  private

  def drop(page, name, bytes)
    post "/p/#{page.to_param}/texts", params: { file: Rack::Test::UploadedFile.new(StringIO.new(bytes), "application/octet-stream", original_filename: name) }, headers: { "Accept" => "application/json" }
  end

  def bring(files, page: nil)
    uploads = files.map { |name, content| Rack::Test::UploadedFile.new(StringIO.new(content.b), "application/octet-stream", true, original_filename: name) }
    post "/arrivals", params: { files: uploads, page: page }.compact
    assert_response :see_other
    Arrival.order(:id).last
  end

  def office(form)
    html = "<h1>Winter checklist</h1><h2>Before</h2><p>Read <b>this</b>.</p><ul><li>Grit</li><li>Salt</li></ul><table><tr><th>a</th></tr><tr><td>b</td></tr></table><p><img src='data:image/png;base64,#{PIXEL}' alt='dot'></p>"
    out, = Open3.capture2("pandoc", "--from", "html", "--to", form, "--output", "-", stdin_data: html, binmode: true)
    out
  end
end
