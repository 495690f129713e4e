require "test_helper"

# What is told by mail: when, once, and of what may be seen then.
class LettersTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt", time_zone: "Tokyo")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page, @other = new_page("Gangway", above: @room, by: @ana), new_page("Ice", above: @room, by: @ana)
    Follow.begin(@ben, @room)
    SentMail.delete_all
  end

  test "a daily letter comes in the morning where somebody is, with all of the day by page, and once" do
    travel_to Time.utc(2026, 11, 27, 12) do
      2.times { publish(@page, note: "Salt") }
      publish(@other)
      SendLettersJob.perform_now
    end
    assert_empty SentMail.all
    travel_to(Time.utc(2026, 11, 27, 21, 59)) { SendLettersJob.perform_now }
    assert_empty SentMail.all
    travel_to(Time.utc(2026, 11, 27, 22, 1)) { 2.times { SendLettersJob.perform_now } }
    mail = SentMail.sole
    assert_equal [ @ben.email, true ], [ mail.recipient, mail.subject.include?("2 news") ]
    assert_match(/Ana Berg changed “Gangway” 2 times\n  “Salt”\n  You follow it\./, mail.body)
    assert_match(/Ana Berg changed “Ice”/, mail.body)
  end

  test "what has been looked at by then is not sent, nor what is never to come by mail" do
    publish(@page)
    Reading.record(@page.reload, by: @ben)
    NewsSetting.create!(person: @ben, ways: { following: "never" })
    publish(@other)
    travel(3.days) { SendLettersJob.perform_now }
    assert_empty SentMail.all
    assert_equal 1, NewsList.new(viewer(@ben)).count
  end

  test "in quiet hours nothing comes at once" do
    NewsSetting.create!(person: @ben, quiet_from: 22, quiet_until: 6)
    travel_to(Time.utc(2026, 11, 27, 14)) { ask(@page, "Where, @Ben Holt?", by: @ana) }
    assert_empty SentMail.all
    travel_to(Time.utc(2026, 11, 27, 21, 1)) { SendLettersJob.perform_now }
    assert_equal [ @ben.email ], SentMail.pluck(:recipient)
  end

  test "the address in a mail stops it without signing in, and no other" do
    publish(@page)
    travel(2.days) { SendLettersJob.perform_now }
    mail = SentMail.sole
    assert_no_match(%r{/stop/[\w-]{20}}, mail.body, "administrators who read mails stop nothing")
    stopping = Stopping.at(Stopping.token(@ben, target: @page))
    stopping.stop
    publish(@page)
    assert_equal 0, Telling.where(person: @ben).where("id > ?", Telling.where(person: @ben).minimum(:id)).count
    assert_nil Stopping.at("#{Stopping.token(@ben, target: @page)}x")
    assert_nil Stopping.at(Rails.application.message_verifier("other").generate([ @ben.public_id, nil, nil, "following" ]))
    Stopping.at(Stopping.token(@ben, reason: "following")).stop
    assert_equal :never, NewsSetting.of(@ben).way(:following)
  end

  test "a letter whose person is suspended or whose page is closed is not written, and is not held for later" do
    publish(@page)
    @room.grant(holder(:everyone), :none)
    travel(2.days) { SendLettersJob.perform_now }
    @room.grant(holder(:everyone), :read)
    travel(4.days) { SendLettersJob.perform_now }
    assert_empty SentMail.all
  end

  test "whoever has a feed's address reads what its owner may read, until it is ended" do
    publish(@page, note: "Salt")
    assert_equal [ "Gangway" ], NewsList.new(FeedKey.viewer(FeedKey.of(@ben).token), show: "all").groups(limit: 9).map { |group| group.place.title }
    @room.grant(holder(:everyone), :none)
    assert_empty NewsList.new(FeedKey.viewer(FeedKey.of(@ben).token), show: "all").groups(limit: 9)
  end

  private

  def publish(page, note: "")
    page.reload && save_text(page, "Words #{SecureRandom.hex(3)}.", by: @ana)
    page.publish(version: page.draft.version, by: @ana, note: note)
  end
end
