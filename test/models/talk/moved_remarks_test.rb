require "test_helper"

# Pages that are joined and parted keep what was said to them.
class MovedRemarksTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
  end

  test "joining pages takes notes, questions and threads along, to the same words" do
    into = new_page("Gangway", above: @room, by: @ana, markdown: "Salt lies here.")
    from = new_page("Ice", above: @room, by: @ana, markdown: "## Night\n\nCall the night desk before nine.")
    note, question, line = note(from, "night desk", by: @ben), ask(from, by: @ben), Remark.say(from, kind: "line", body: "Hm.", by: @ben)
    reply = question.reply("Here.", by: @ana)
    PageJoining.new(from, into).join(by: @ana)
    assert_equal [ into ] * 4, [ note, question, line, reply ].map { |each| each.reload.page }
    assert_equal [ %w[same night\ desk] ] * 2, [ stands(note), stands(note, "draft") ]
    assert_includes into.reload.edition.document.to_json, note.places.reload.first.block_id
  end

  test "a part that becomes a page takes along what was said to it" do
    page = new_page("Gangway", above: @room, by: @ana, markdown: "Salt lies here.\n\n## Night\n\nCall the night desk before nine.")
    stays, goes = note(page, "Salt", by: @ben), note(page, "night desk", by: @ben)
    goes.reply("Yes.", by: @ana)
    heading = page.edition.document["content"].find { |block| block["type"] == "heading" }
    fresh = PageSplitting.new(page, heading.dig("attrs", "id")).split(by: @ana)
    assert_equal [ page, fresh ], [ stays.reload.page, goes.reload.page ]
    assert_equal [ fresh ], goes.replies.map(&:page)
    assert_equal [ %w[same Salt], %w[same night\ desk], %w[same night\ desk] ], [ stands(stays), stands(goes), stands(goes, "draft") ]
  end

  test "generated texts: every note on an unchanged block goes where the block goes" do
    random = Random.new(ENV.fetch("SEED", 1125).to_i)
    3.times do |round|
      words = Array.new(8) { |i| "Line #{round}#{i} says #{%w[salt grit rope ice].sample(random: random)} number #{random.rand(1000)}." }
      into = new_page("Into #{round}", above: @room, by: @ana, markdown: words.first(3).join("\n\n"))
      from = new_page("From #{round}", above: @room, by: @ana, markdown: "## Part #{round}\n\n#{words.drop(3).join("\n\n")}")
      notes = words.map { |line| note(words.index(line) < 3 ? into : from, line, by: @ben) }
      PageJoining.new(from, into, place: %i[after before].sample(random: random)).join(by: @ana)
      assert_equal words.map { |line| [ "same", line ] }, notes.map { |each| stands(each) }
    end
  end
end
