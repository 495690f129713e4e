require "test_helper"

class FilesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  PICTURE = Rails.root.join("docs/screenshots/read.png")
  # A picture of 40,000 by 40,000 points in a few hundred bytes, as far as its head says.
  BOMB = "\x89PNG\r\n\x1A\n".b + [ 13 ].pack("N") + "IHDR" + [ 40_000, 40_000, 8, 2, 0, 0, 0 ].pack("NNCCCCC").then { |data| data + [ Zlib.crc32("IHDR#{data}") ].pack("N") }

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ana)
    sign_in(@ana)
  end

  test "a picture opens to its writers at once, and to readers once an edition shows it, smaller versions too" do
    file = send_file(PICTURE.binread, "read.png")
    assert_equal [ 200, 404 ], [ status_for(@ana, file), status_for(@ben, file) ]
    show(file)
    assert_equal [ 200, 404 ], [ status_for(@ana, file), status_for(@ben, file) ]
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ 200, 200 ], [ status_for(@ben, file), status_for(@ben, file, "?w=480") ]
    assert_equal 480, Vips::Image.new_from_buffer(response.body, "").width
    get "/p/#{@page.to_param}"
    assert_select "figure img[src='/files/#{file.public_id}'][srcset*='w=480 480w']"
    @room.grant(holder(:everyone), :none)
    assert_equal [ 404, 404 ], [ status_for(@ben, file), status_for(@ben, file, "?w=480") ]
    sign_in(@ana)
    @page.put_in_bin(by: @ana)
    assert_equal 404, status_for(@ana, file)
  end

  test "a picture of an old edition opens to whoever may see that edition, and to nobody else" do
    file = send_file(PICTURE.binread, "read.png")
    show(file)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    save_text(@page.reload, "Without it.", by: @ana) && @page.publish(version: @page.draft.version, by: @ana)
    sign_in(@ben)
    get "/p/#{@page.to_param}/editions/2"
    assert_select "figure img[src='/files/#{file.public_id}']"
    assert_equal 200, status_for(@ben, file)
    sign_in(@ana)
    never = send_file(PICTURE.binread, "never-shown.png")
    assert_equal 404, status_for(@ben, never)
    @room.grant(holder(:everyone), :none)
    assert_equal 404, status_for(@ben, file)
  end

  test "a part of a file is sent where a part is asked for, and it is sent piece by piece" do
    bytes = PICTURE.binread
    file = send_file(bytes, "read.png")
    get "/files/#{file.public_id}", headers: { "Range" => "bytes=100-299" }
    assert_equal [ 206, "bytes 100-299/#{bytes.bytesize}", "200", bytes[100, 200] ], [ response.status, response.headers["Content-Range"], response.headers["Content-Length"], response.body.b ]
    get "/files/#{file.public_id}", headers: { "Range" => "bytes=-50" }
    assert_equal [ 206, bytes.last(50) ], [ response.status, response.body.b ]
    get "/files/#{file.public_id}", headers: { "Range" => "bytes=#{bytes.bytesize + 1}-" }
    assert_response :range_not_satisfiable
    get "/files/#{file.public_id}"
    assert_equal [ 200, "bytes", bytes.bytesize.to_s, bytes ], [ response.status, response.headers["Accept-Ranges"], response.headers["Content-Length"], response.body.b ]
    get "/files/#{file.public_id}", headers: { "If-None-Match" => response.headers["ETag"], "Range" => "bytes=0-9" }
    assert_response :not_modified
    pieces = []
    answer = app.call(Rack::MockRequest.env_for("http://#{host}/files/#{file.public_id}", "HTTP_COOKIE" => cookies.to_hash.map { |name, value| "#{name}=#{CGI.escape(value)}" }.join("; ")))
    answer.last.each { |piece| pieces << piece.bytesize }
    assert_equal [ 200, bytes.bytesize ], [ answer.first, pieces.sum ]
    assert_operator pieces.size, :>, 1
  end

  test "a picture may lead somewhere, as a link may" do
    file = send_file(PICTURE.binread, "read.png")
    [ [ "page:#{@page.public_id}", "a[href='/p/gangway-in-ice-#{@page.public_id}'] img" ], [ "javascript:alert(1)", "figure > img" ] ].each do |target, selector|
      @page.reload
      figure = { "type" => "figure", "attrs" => { "file" => file.public_id, "target" => target } }
      @page.save_draft(State.new(title: @page.title, document: { "type" => "doc", "content" => [ figure ] }), base_version: @page.draft.version, by: @ana)
      @page.publish(version: @page.draft.version, by: @ana)
      get "/p/#{@page.to_param}"
      assert_select selector, 1
    end
  end

  test "files leave with a policy that lets nothing run, and never as something else than they are" do
    file = send_file("<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'><script>alert(1)</script><rect width='9' height='9' fill='url(https://x.example)'/><a href='javascript:alert(1)'><text>x</text></a></svg>", "plan.svg")
    assert_equal "drawing", file.kind
    get "/files/#{file.public_id}"
    assert_includes response.headers["Content-Security-Policy"], "sandbox"
    assert_equal "image/svg+xml", response.media_type
    [ "script", "onload", "alert", "x.example", "javascript" ].each { |word| assert_not_includes response.body, word }
    assert_includes response.body, "rect"
    post_file("<html><script>alert(1)</script></html>", "page.csv")
    assert_response :unprocessable_entity
    table = send_file("stage,grit\nVikness,2\n", "page.csv")
    get "/files/#{table.public_id}"
    assert_match(/\Aattachment/, response.headers["Content-Disposition"])
  end

  test "what is empty, too large, of a wrong type, broken or a bomb is refused with a reason" do
    { [ "", "x.png" ] => /nothing/, [ "\x7FELF\x02".b + ("x" * 50), "x.png" ] => /type/, [ "MZ".b + ("\0" * 80), "setup.exe" ] => /type/, [ PICTURE.binread.first(3000), "x.png" ] => /broken/, [ BOMB, "x.png" ] => /broken/,
      [ "<svg xmlns='http://www.w3.org/2000/svg'", "x.svg" ] => /broken|type/, [ "%PDF-1.4 ".ljust(FileFit::LARGEST + 1), "x.pdf" ] => /too large/ }.each do |(content, name), words|
      assert_no_difference(-> { PageFile.count }) { post_file(content, name) }
      assert_response :unprocessable_entity, name
      assert_match words, response.parsed_body["error"], name
    end
  end

  test "the same content is stored once, and rights are not shared with it" do
    files = %w[one.png two.png].map { |name| send_file(PICTURE.binread, name) }
    assert_equal 1, files.map { |file| file.content.blob.id }.uniq.size
    hidden = new_page("Hidden", above: new_room("Ideas", keeper: @ana), by: @ana)
    third = PageFile.take(Rack::Test::UploadedFile.new(PICTURE, "image/png"), page: hidden, by: @ana)
    assert_equal files.first.content.blob, third.content.blob
    show(files.first)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ 200, 404 ], [ status_for(@ben, files.first), status_for(@ben, third) ]
    hidden.put_in_bin(by: @ana)
    perform_enqueued_jobs { hidden.erase }
    assert_equal 200, status_for(@ben, files.first)
  end

  test "a PDF's pages are shown as pictures where it stands, to who may see it" do
    pdf = PageFile.take(Rack::Test::UploadedFile.new(Rails.root.join("demo/rooms/3-ashore/files/winter-timetable.pdf"), "application/pdf"), page: @page, by: @ana)
    assert_equal 2, pdf.sheets
    save_text(@page, "::: embed {file=\"#{pdf.public_id}\"}\n:::", by: @ana)
    @page.reload.publish(version: @page.draft.version, by: @ana)
    sign_in @ana
    get "/p/#{@page.to_param}"
    assert_equal [ "Page 1 of 2 of winter-timetable.pdf", "Page 2 of 2 of winter-timetable.pdf" ], css_select(".pdf img").map { |image| image["alt"] }
    2.times { get("/files/#{pdf.public_id}?sheet=2") && assert_equal([ 200, "image/webp" ], [ response.status, response.media_type ]) }
    assert_equal 1, pdf.sheet_pictures.count
    %w[0 3 x].each { |sheet| get("/files/#{pdf.public_id}?sheet=#{sheet}") && assert_response(:not_found) }
    sign_out :person
    get "/files/#{pdf.public_id}?sheet=1"
    assert_response :not_found
  end

  test "a PDF that cannot be drawn is tried once, wherever its bytes are shown, and few are drawn at once" do
    upload = -> { Rack::Test::UploadedFile.new(Rails.root.join("demo/rooms/3-ashore/files/winter-timetable.pdf"), "application/pdf") }
    pdf, other = Array.new(2) { |i| PageFile.take(upload.call, page: i.zero? ? @page : new_page("Other", above: @page, by: @ana), by: @ana) }
    sign_in @ana
    SheetPictures::AT_ONCE.drain_permits.then do |permits|
      stub_const(SheetPictures, :WAITED, 0) { get "/files/#{pdf.public_id}?sheet=1" }
      assert_response :service_unavailable
    ensure
      SheetPictures::AT_ONCE.release(permits)
    end
    assert_equal 2, pdf.reload.sheets

    stub_const(SheetPictures, :SECONDS, 0) { get "/files/#{pdf.public_id}?sheet=1" }
    assert_response :not_found
    assert_equal [ nil, nil ], [ pdf, other ].map { |file| file.reload.sheets }
    assert_nil PageFile.take(upload.call, page: @page, by: @ana).sheets
    get "/files/#{pdf.public_id}?sheet=1"
    assert_response :not_found
    get "/files/#{pdf.public_id}"
    assert_response :success
  end

  test "a picture that would lie in memory as a whole may have fewer pixels" do
    large = Vips::Image.black(5001, 5000).copy(interpretation: :srgb)
    assert_equal "picture", FileFit.of(Upload.new("a.png", large.pngsave_buffer)).kind
    [ [ "a.png", large.pngsave_buffer(interlace: true) ], [ "a.jpg", large.jpegsave_buffer(interlace: true) ], [ "b.png", Vips::Image.black(20_001, 5000).pngsave_buffer ] ].each do |name, bytes|
      assert_equal "too_many_pixels", assert_raises(FileFit::Unfit) { FileFit.of(Upload.new(name, bytes)) }.message
    end
  end

  test "a PDF that cannot be read is kept, and stands as a link" do
    pdf = PageFile.take(Rack::Test::UploadedFile.new(StringIO.new("%PDF-1.4 nothing"), "application/pdf", original_filename: "a.pdf"), page: @page, by: @ana)
    assert_nil pdf.sheets
  end

  test "a file pasted from another page becomes this page's own only for who may see it there" do
    hidden = new_page("Hidden", above: new_room("Ideas", keeper: @ana), by: @ana)
    secret = PageFile.take(Rack::Test::UploadedFile.new(PICTURE, "image/png"), page: hidden, by: @ana)
    @room.grant(holder(@ben), :write)
    show(secret, by: @ben)
    assert_equal [ secret.public_id ], shown_ids
    assert_equal 404, status_for(@ben, secret)
    get "/p/#{@page.to_param}/draft/edit"
    assert_not_includes response.body, "read.png"
    show(secret, by: @ana)
    assert_not_equal [ secret.public_id ], shown_ids
    own = PageFile.find_by!(public_id: shown_ids.first)
    assert_equal [ @page, secret.content.blob ], [ own.page, own.content.blob ]
    assert_equal [ 404, 200 ], [ status_for(@ben, secret), status_for(@ben, own) ]
  end

  private

  include ActiveJob::TestHelper

  def post_file(content, name)
    post "/p/#{@page.to_param}/files", params: { file: Rack::Test::UploadedFile.new(StringIO.new(content), "application/octet-stream", true, original_filename: name) }, headers: { "Accept" => "application/json" }
  end

  def send_file(content, name)
    post_file(content, name)
    assert_response :created, response.body.first(300)
    PageFile.find_by!(public_id: response.parsed_body["id"])
  end

  def show(file, by: @ana)
    @page.reload
    @page.save_draft(State.new(title: @page.title, document: { "type" => "doc", "content" => [ { "type" => "figure", "attrs" => { "file" => file.public_id, "alt" => "A page" } } ] }), base_version: @page.draft.version, by: by)
  end

  def shown_ids
    @page.reload.draft.document["content"].map { |node| node.dig("attrs", "file") }
  end

  def status_for(person, file, query = "")
    sign_in(person)
    get "/files/#{file.public_id}#{query}"
    response.status
  end
end
