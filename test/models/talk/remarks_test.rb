require "test_helper"

class RemarksTest < ActiveSupport::TestCase
  TEXT = "Salt and grit lie in the box by the gangway.\n\nCall the night desk before nine.".freeze

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: TEXT)
  end

  test "a note stands on its words, in what is published and in the draft, and moves with them" do
    note = note(@page, "salt and grit".capitalize, by: @ben)
    assert_equal [ %w[same Salt\ and\ grit] ] * 2, [ stands(note), stands(note, "draft") ]
    rewrite(@page, "New words first.\n\nIn winter: Salt and grit lie in the box by the gangway.", by: @ana, publish: false)
    assert_equal [ "same", "Salt and grit" ], stands(note, "draft")
    assert_equal 0, note.places.find_by(stage: "edition").start
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal 11, note.places.reload.find_by(stage: "edition").start
  end

  test "changed words are said to be, also in what follows, and words that come back are the same" do
    note = note(@page, "Call the night desk before nine", by: @ben)
    rewrite(@page, "Salt and grit.\n\nCall the night desk well before nine.", by: @ana)
    assert_equal [ "changed", "Call the night desk well before nine" ], stands(note)
    rewrite(@page, "Grit and salt.\n\nCall the night desk well before nine.", by: @ana)
    assert_equal "changed", stands(note).first
    @page.put_back(@page.editions.first, by: @ana)
    assert_equal [ "same", "Call the night desk before nine" ], stands(note)
  end

  test "words that are gone leave the note with its quotation" do
    note = note(@page, "night desk", by: @ben)
    rewrite(@page, "Salt.", by: @ana)
    assert_equal [ "gone", "night desk" ], stands(note)
    assert_equal 1, RemarkList.new(@page.reload, viewer(@ben), show: "displaced").remarks.count
    assert_equal 1, NotesBeside.new(@page, viewer(@ben), stage: "edition").displaced
    rewrite(@page, TEXT, by: @ana)
    assert_equal [ "same", "night desk" ], stands(note)
  end

  test "of two places that are as likely none is taken until somebody says which" do
    note = note(@page, "night desk", by: @ben)
    block = "Call the night desk before nine."
    document = { "type" => "doc", "content" => Array.new(2) { { "type" => "paragraph", "content" => [ { "type" => "text", "text" => block } ] } } }
    @page.save_draft(State.new(title: "Gangway in ice", document: Zuhause::Document.accept(document).doc), base_version: @page.draft.version, by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal "doubtful", stands(note).first
    place = note.places.find_by(stage: "edition")
    assert_equal 2, place.candidates.size
    assert place.take(1)
    assert_equal [ "same", "night desk" ], stands(note)
    assert_not place.take(7)
  end

  test "a note on a draft is for who sees the draft, until an edition holds its words" do
    rewrite(@page, "#{TEXT}\n\nThe new ship is called Auk.", by: @ana, publish: false)
    secret = note(@page.reload, "called Auk", by: @ana, stage: "draft")
    secret.reply("Not yet told to anybody.", by: @ana)
    assert_empty Remark.seen_by(viewer(@ben))
    assert_empty Remark.of_page(@page, viewer(@ben))
    assert_equal 2, Remark.seen_by(viewer(@ana)).count
    rewrite(@page, "#{TEXT}\n\nThe new ship has no name.", by: @ana)
    assert_empty Remark.seen_by(viewer(@ben)), "other words were published"
    rewrite(@page, "#{TEXT}\n\nThe new ship is called Auk.", by: @ana)
    assert_equal 2, Remark.seen_by(viewer(@ben)).count
  end

  test "nobody signed out meets anything" do
    note(@page, "Salt", by: @ben)
    assert_empty Remark.seen_by(Viewer.new(nil))
    assert_empty Remark.of_page(@page, Viewer.new(nil))
    assert_not NotesBeside.new(@page, Viewer.new(nil), stage: "edition").any?
  end

  test "blocks as a whole, points in pictures, and what was seen in an older state" do
    block = @page.edition.document["content"].last.dig("attrs", "id")
    whole = Remark.note(@page, Remark::OnText::Pointed.new(stage: "edition", block: block), by: @ben, body: "Who is on duty?")
    assert_equal [ "same", "Call the night desk before nine." ], stands(whole)
    old = pointed(@page, "night desk")
    rewrite(@page, "Salt.\n\nIn need call the night desk before nine.", by: @ana)
    assert_equal [ "same", "night desk" ], stands(Remark.note(@page.reload, old, by: @ben, body: "Number?"))
    missing = Remark.note(@page, Remark::OnText::Pointed.new(stage: "edition", block: "zzzzzzzz"), by: @ben, body: "Where?")
    assert_not missing.persisted?
    assert_equal [ :nowhere ], missing.errors.details[:base].pluck(:error)
  end

  test "what is said is kept with who and what it names, and tells them" do
    note = note(@page, "Salt", by: @ben, body: "Ask @Ana Berg, see http://www.example.com/p/x-#{@page.public_id}.")
    assert_equal "Ask person:#{@ana.public_id}, see http://www.example.com/p/x-#{@page.public_id}.", note.body
    assert_equal [ @ana.public_id ], Happening.find_by!(act: "addressed").details["people"]
    assert_difference(-> { Happening.where(act: "addressed").count }, 0) { note.edit("Ask @Ana Berg, please.", by: @ben) }
    assert note.edited_at
  end

  test "empty and endless words are refused, and replies have no replies" do
    assert_not note(@page, "Salt", by: @ben, body: " \n ").persisted?
    assert_not ask(@page, "x" * 5_001, by: @ben).persisted?
    reply = ask(@page, by: @ben).reply("In the box.", by: @ana)
    assert_not reply.reply("Which?", by: @ben).persisted?
  end

  test "a removed note with replies leaves its place, another goes" do
    note = note(@page, "Salt", by: @ben)
    note.reply("It is.", by: @ana)
    note.remove(by: @ben)
    assert_equal [ "", nil ], [ note.reload.body, note.quote ]
    assert note.removed?
    other = note(@page, "grit", by: @ben)
    assert_difference(-> { Remark.count }, -1) { other.remove(by: @ben) }
  end

  test "settled and opened again; one voice each" do
    note = note(@page, "Salt", by: @ben)
    assert note.settled_by?(viewer(@ana))
    assert note.settled_by?(viewer(@ben))
    assert_not note.settled_by?(viewer(person("Cay Dorn")))
    note.settle(by: @ana)
    assert_equal [ "settled", @ana ], [ note.standing, note.settled_by ]
    note.reopen(by: @ben)
    assert_equal "open", note.standing
    2.times { note.voice("seen", by: @ana) }
    assert_equal 1, note.voices.count
    note.unvoice(by: @ana)
    assert_equal 0, note.voices.count
  end

  test "how a question stands follows from its answers" do
    question = ask(@page, by: @ben)
    assert_equal "open", question.standing
    answer = question.reply("In the box.", by: @ana)
    assert_equal "answered", question.reload.standing
    answer.voice("doubted", by: @ben)
    assert_equal "doubted", question.reload.standing
    question.choose(answer, by: @ben)
    assert_equal "answered", question.reload.standing
    answer.voice("helped", by: @ben)
    assert_equal [ "answered", 1 ], [ question.reload.standing, question.helped ]
    answer.remove(by: @ana)
    assert_equal [ "open", 0 ], [ question.reload.standing, question.helped ]
    question.settle(by: @ben)
    question.reply("Late.", by: @ana)
    assert_equal "settled", question.reload.standing
  end

  test "a question from the counter comes with its answer, and becomes text" do
    question = Remark.enter(@page, body: "May dogs come along?", origin: "at the counter", answer: "Yes.\n\nOn a lead.", by: @ana)
    assert_equal %w[answered at\ the\ counter], [ question.reload.standing, question.origin ]
    id = QuestionText.new(question).write(by: @ana)
    blocks = @page.reload.draft.document["content"].last(3)
    assert_equal [ id, "May dogs come along?\nYes.\nOn a lead." ], [ blocks.first.dig("attrs", "id"), blocks.map { |block| Zuhause::Document::Text.of(block) }.join("\n") ]
    assert_not Remark.enter(@page, body: "", origin: "by telephone", answer: "Yes.", by: @ana).persisted?
  end

  test "a line of a thread becomes a question, or a page" do
    line = Remark.say(@page, kind: "line", body: "Dogs on board\nWho decides?", by: @ben)
    page = line.become_page(by: @ana)
    assert_equal [ "Dogs on board", "Who decides?", @page ], [ page.draft.title, Zuhause::Document::Text.of(page.draft.document), page.parent ]
    line.become_question(by: @ben)
    assert_equal %w[question open], [ line.reload.kind, line.standing ]
    assert_equal 1, QuestionBoard.new(viewer(@ana)).count("open")
  end
end
