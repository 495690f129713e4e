require "test_helper"

# Who may say what: every act by every level, and what is nobody else's.
class TalkByLevelTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @wil, @cay, @ben, @gus, @sue = person("Ana Berg"), person("Wil Teal"), person("Cay Dorn"), person("Ben Holt"), person("Gus Moor", role: "guest"), person("Sue Moor")
    @room = new_room("On Board", keeper: @ana)
    { @wil => :write, @cay => :comment, @ben => :read }.each { |who, level| @room.grant(holder(who), level) }
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: "Salt and grit lie in the box.")
    @page.grant(holder(@gus), :comment)
    @note = note(@page.reload, "Salt", by: @cay)
    @proposal = note(@page, "grit", instead: "sand", by: @cay)
    @question = ask(@page, by: @cay)
    @answer = @question.reply("Here.", by: @wil)
  end

  ALL = %i[ana wil cay ben gus sue nobody].freeze
  # What each gets: whoever keeps, writes, comments, reads; a guest who comments; a stranger; nobody signed in.
  EXPECTED = {
    note: [ 303, 303, 303, 403, 303, 404, 404 ], reply: [ 303, 303, 303, 403, 303, 404, 404 ], ask: [ 303, 303, 303, 403, 303, 404, 404 ],
    line: [ 303, 303, 303, 403, 303, 404, 404 ], room_line: [ 303, 303, 303, 403, 404, 404, 404 ], voice: [ 303, 303, 303, 403, 303, 404, 404 ],
    settle: [ 303, 303, 303, 403, 403, 404, 404 ], take: [ 303, 303, 403, 403, 403, 404, 404 ], decline: [ 303, 303, 403, 403, 403, 404, 404 ],
    choose: [ 303, 403, 303, 403, 403, 404, 404 ], edit: [ 403, 403, 303, 403, 403, 404, 404 ], remove: [ 303, 403, 303, 403, 403, 404, 404 ],
    section: [ 303, 303, 403, 403, 403, 404, 404 ], page: [ 303, 303, 403, 403, 403, 404, 404 ], question: [ 303, 303, 303, 403, 403, 404, 404 ],
    origin: [ 303, 303, 403, 403, 403, 404, 404 ], on_draft: [ 303, 303, 403, 403, 403, 404, 404 ], see: [ 200, 200, 200, 200, 200, 404, 404 ], list: [ 200, 200, 200, 200, 200, 404, 404 ], thread: [ 200, 200, 200, 200, 200, 404, 404 ]
  }.freeze

  EXPECTED.each do |act, answers|
    test "#{act} by each" do
      told = ALL.map do |who|
        reset!
        Remark.transaction(requires_new: true) do
          sign_in(instance_variable_get("@#{who}")) unless who == :nobody
          knock(act)
          raise ActiveRecord::Rollback
        end
        response.status
      end
      assert_equal ALL.zip(answers).to_h, ALL.zip(told).to_h
    end
  end

  test "nobody who does not see the draft meets what was said to it, through any door" do
    rewrite(@page, "Salt and grit lie in the box. The new ship is the Auk.", by: @ana, publish: false)
    secret = note(@page.reload, "the Auk", by: @ana, stage: "draft", body: "Whisper.")
    [ @cay, @ben, @gus ].each do |who|
      reset!
      sign_in(who)
      [ "/remarks/#{secret.public_id}", "/remarks/#{secret.public_id}/edit" ].each { |path| get(path) && assert_response(:not_found) }
      [ "replies", "settlement", "voice", "taking", "question", "page" ].each { |part| post("/remarks/#{secret.public_id}/#{part}", params: { remark: { body: "x" } }) && assert_response(:not_found, part) }
      [ "/p/#{@page.to_param}", "/p/#{@page.to_param}/remarks", "/p/#{@page.to_param}/remarks.json", "/p/#{@page.to_param}/remarks?beside=draft" ].each do |path|
        get(path, headers: path.include?("beside") ? { "X-Fragment" => "1" } : {})
        assert_no_match(/Whisper|the Auk|#{secret.public_id}/, response.body, path)
      end
    end
    reset!
    sign_in(@wil)
    get "/p/#{@page.to_param}/remarks"
    assert_match(/Whisper/, response.body)
  end

  test "a public page shows nothing of what is said" do
    @page.grant(holder(:anyone), :comment)
    House.current.update!(public_addresses: true)
    get "/p/#{@page.to_param}"
    assert_response :success
    assert_no_match(/remark|Is that so|Cay Dorn|noted/, response.body.sub(/<script.*/m, ""))
  end

  test "a guest meets the names of who speaks, and of nobody else who is named" do
    @note.reply("Ask @Ben Holt and @Gus Moor.", by: @ana)
    sign_in(@gus)
    get "/remarks/#{@note.public_id}"
    assert_select ".note-by b", text: "Cay Dorn"
    assert_select ".mention", text: "@Gus Moor"
    assert_no_match(/Ben Holt/, response.body)
  end

  test "what was said is never code, and leads nowhere by itself" do
    post_as(@cay, "/p/#{@page.to_param}/questions", remark: { body: "<script>alert(1)</script> javascript:alert(1) https://ice.example/?a=\"><b>" })
    get "/p/#{@page.to_param}/questions"
    assert_select "script", text: /alert/, count: 0
    assert_select ".note-words a" do |links|
      assert_equal [ "https://ice.example/?a=" ], links.map { |link| link["href"] }
    end
    post "/remarks/#{@note.public_id}/settlement", params: { back: "https://elsewhere.example/" }
    assert_redirected_to "/remarks/#{@note.public_id}"
  end

  test "wrong words are said beside their field, and nothing is lost" do
    post_as(@wil, "/p/#{@page.to_param}/questions", remark: { body: " ", origin: "by telephone", answer: "In the box." })
    assert_response :unprocessable_entity
    assert_select ".field-wrong textarea"
    assert_select "textarea", text: /In the box/
    post "/remarks/#{@note.public_id}/replies", params: { remark: { body: "x" * 5_001 } }
    assert_response :unprocessable_entity
    post "/p/#{@page.to_param}/remarks", params: { remark: { block: "nonsense", body: "Hm.", start: "-4", length: "many", x: "9999" } }
    assert_response :unprocessable_entity
  end

  test "as annotations others can read" do
    sign_in(@ben)
    get "/p/#{@page.to_param}/remarks.json"
    items = JSON.parse(response.body).fetch("items")
    assert_equal "http://www.w3.org/ns/anno.jsonld", JSON.parse(response.body).fetch("@context")
    salt = items.find { |item| item["motivation"] == "commenting" }
    quote, position = salt.dig("target", "selector").last(2)
    assert_equal({ "type" => "TextQuoteSelector", "exact" => "Salt", "prefix" => "", "suffix" => " and grit lie in the box." }, quote)
    assert_equal [ 0, 4 ], position.values_at("start", "end")
    assert_equal %w[commenting editing questioning replying], items.map { |item| item["motivation"] }.sort
  end

  test "many cost no more queries than few, in every list" do
    sign_in(@ana)
    paths = [ "/p/#{@page.to_param}", "/p/#{@page.to_param}/remarks", "/p/#{@page.to_param}/remarks.json", "/p/#{@page.to_param}/questions", "/p/#{@page.to_param}/thread", "/questions?show=done" ]
    say_more(1)
    few = paths.map { |path| warm(path) }
    say_more(6)
    assert_equal paths.zip(few), paths.map { |path| [ path, warm(path) ] }
  end

  private

  # Something of each kind, with replies and voices.
  def say_more(times)
    times.times do |i|
      note = note(@page, "grit", by: @cay, body: "Number #{i}, @Ben Holt")
      note.reply("Yes, @Wil Teal.", by: @wil).voice("seen", by: @ben)
      note(@page, "box", instead: "bin #{i}", by: @cay)
      ask(@page, "Why #{i}?", by: @ben).reply("So.", by: @ana).voice("helped", by: @ben)
      Remark.say(@page, kind: "line", body: "Hm.", shown_page: @page, by: @cay).reply("Hm, hm.", by: @wil)
    end
  end

  def warm(path)
    get path
    queries { get path }
  end

  def post_as(who, path, **params)
    sign_in(who)
    post path, params: params
  end

  def knock(act)
    page, said = "/p/#{@page.to_param}", ->(remark, part = nil) { [ "/remarks/#{remark.public_id}", part ].compact.join("/") }
    case act
    when :note then post "#{page}/remarks", params: { remark: { block: block, start: 0, length: 4, quote: "Salt", body: "Hm." } }
    when :on_draft then post "#{page}/remarks", params: { remark: { block: block, start: 0, length: 4, quote: "Salt", body: "Hm.", stage: "draft" } }
    when :reply then post said.call(@note, "replies"), params: { remark: { body: "Hm." } }
    when :ask then post "#{page}/questions", params: { remark: { body: "Why?" } }
    when :origin then post "#{page}/questions", params: { remark: { body: "Why?", origin: "by telephone" } }
    when :line then post "#{page}/lines", params: { remark: { body: "Hm." } }
    when :room_line then post "/rooms/#{@room.public_id}/lines", params: { remark: { body: "Hm." } }
    when :voice then post said.call(@answer, "voice"), params: { kind: "helped" }
    when :settle then post said.call(@note, "settlement")
    when :take then post said.call(@proposal, "taking")
    when :decline then delete said.call(@proposal, "taking")
    when :choose then post said.call(@answer, "choice")
    when :edit then patch said.call(@note), params: { remark: { body: "Better." } }
    when :remove then delete said.call(@note)
    when :section then post said.call(@question, "section")
    when :page then post said.call(@note, "page")
    when :question then post said.call(@note, "question")
    when :see then get said.call(@note)
    when :list then get "#{page}/remarks"
    when :thread then get "#{page}/thread"
    end
  end

  def block
    @page.edition.document["content"].first.dig("attrs", "id")
  end
end
