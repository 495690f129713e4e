require "test_helper"

# Who is named in what is said learns of it by mail, if they may read it then.
class AddressedTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    SentMail.delete_all
  end

  test "once, with the way there, and nobody by themselves" do
    note = note(@page, "Text", by: @ana, body: "Which, @Ben Holt? Says @Ana Berg.")
    note.edit("Which one, @Ben Holt?", by: @ana)
    assert_equal [ [ @ben.email, "Ana Berg has named you in Gangway" ] ], SentMail.pluck(:recipient, :subject)
    assert_includes SentMail.last.body, "/remarks/#{note.public_id}"
  end

  test "not of what is said to a draft that one does not see, nor in a room that one does not read" do
    rewrite(@page, "Text of the Auk.", by: @ana, publish: false)
    note(@page.reload, "the Auk", by: @ana, stage: "draft", body: "Well, @Ben Holt?")
    Remark.say(new_room("Pay", keeper: @ana), kind: "line", body: "Well, @Ben Holt?", by: @ana)
    ask(new_page("Wages", above: new_room("Closed", keeper: @ana), by: @ana), "Well, @Ben Holt?", by: @ana)
    assert_empty SentMail.all
  end
end
