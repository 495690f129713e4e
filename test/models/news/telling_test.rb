require "test_helper"
require "minitest/mock"

class TellingTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cleo = person("Ana Berg"), person("Ben Holt"), person("Cleo Finn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    SentMail.delete_all
  end

  test "whoever is newly named is told, whatever way the edition came to be" do
    naming = "Ask [x](mention:#{@ben.public_id})."
    save_text(@page.reload, naming, by: @ana) && @page.publish(version: @page.draft.version, by: @ana)
    named = @page.edition
    save_text(@page.reload, "Nobody.", by: @ana) && @page.publish(version: @page.draft.version, by: @ana)
    @page.put_back(named, by: @ana)
    @page.copy(to: @room, viewer: viewer(@cleo), publish: true)
    assert_equal [ @ben.email ] * 3, SentMail.pluck(:recipient)
    assert_equal [ "Ana Berg", "Ana Berg", "Cleo Finn" ], SentMail.order(:id).pluck(:subject).map { |subject| subject[/\A\w+ \w+/] }
  end

  test "nobody is told twice, and not of what they may not read by then" do
    pay = new_page("Pay", above: new_room("Pay", keeper: @ana), by: @ana, markdown: "Ask [x](mention:#{@ben.public_id}).")
    assert_empty SentMail.all
    assert_equal [ @ben ], pay.named_outside
    3.times { TellJob.perform_now }
    assert_empty SentMail.all
  end

  test "a listener that fails is tried again, later each time, and stops no other" do
    failing = ->(_happening) { raise "the listener is not well" }
    TellsNews.stub(:tell, failing) { name_both }
    assert_equal [ [ "TellsNews", 1 ] ] * 4, PendingTelling.order(:id).pluck(:listener, :tries)
    assert_empty SentMail.all

    TellJob.perform_now
    assert_equal 4, PendingTelling.count, "not before it is due"
    travel_to(1.hour.from_now) { TellJob.perform_now }
    assert_equal [ 0, [ @ben.email, @cleo.email ] ], [ PendingTelling.count, SentMail.order(:id).pluck(:recipient) ]
  end

  test "what is given up after many tries is gone" do
    TellsNews.stub(:tell, ->(_happening) { raise "never" }) do
      name_both
      20.times { |i| travel_to((i + 1).weeks.from_now) { TellJob.perform_now } }
    end
    assert_equal 0, PendingTelling.count
  end

  test "of a whole house that is loaded nobody is told" do
    Happening.quietly { name_both }
    assert_equal [ 0, 0 ], [ PendingTelling.count, SentMail.count ]
    assert Happening.where(act: "named").exists?
  end

  test "a mail is kept first, and sent when the server is there again" do
    server = Class.new { attr_accessor :down, :sent }.new.tap { |made| made.down, made.sent = true, [] }
    server.define_singleton_method(:deliver!) { |mail| down ? raise(Errno::ECONNREFUSED) : sent << mail }
    KeptPost.stub(:server, server) do
      @ben.send_reset_password_instructions
      kept = SentMail.last
      assert_equal [ true, false, 1 ], [ kept.waiting, kept.delivered, kept.tries ]
      assert kept.secret, "needed until it has left"
      server.down = false
      SendMailJob.perform_now
      assert_empty server.sent, "not before it is due"
      travel_to(1.hour.from_now) { SendMailJob.perform_now }
      travel_to(2.hours.from_now) { SendMailJob.perform_now }
    end
    assert_equal 1, server.sent.size
    assert_match(/reset_password_token=[\w-]{10}/, server.sent.first.body.decoded)
    assert_equal [ false, true, nil ], SentMail.last.then { |kept| [ kept.waiting, kept.delivered, kept.secret ] }
    assert_match(/reset_password_token=#{SentMail::SECRET}/, SentMail.last.body)
  end

  test "a letter that waited for the server tells nothing that has been closed meanwhile, and how to stop it in one click" do
    server = Class.new { attr_accessor :down, :sent }.new.tap { |made| made.down, made.sent = true, [] }
    server.define_singleton_method(:deliver!) { |mail| down ? raise(Errno::ECONNREFUSED) : sent << mail }
    pages = %w[Grit Salt Wages].map { |title| new_page(title, above: @room, by: @ana) }
    Follow.begin(@ben, @room) && Follow.begin(@cleo, pages.last)
    KeptPost.stub(:server, server) do
      pages.each { |page| page.reload && save_text(page, "Anew.", by: @ana) && page.publish(version: page.draft.version, by: @ana) }
      travel_to(2.days.from_now) { SendLettersJob.perform_now }
      assert_equal 2, SentMail.where(waiting: true, delivered: false).count
      pages.last.reload.make_own_list(by: @ana)
      pages.last.reload.grant(holder(:everyone), :none)
      server.down = false
      travel_to(3.days.from_now) { SendMailJob.perform_now }
      travel_to(4.days.from_now) { SendMailJob.perform_now }
    end
    mail = server.sent.sole
    assert_equal [ @ben.email ], mail.to
    assert_match(/Grit.*Salt/m, mail.body.decoded)
    assert_no_match(/Wages/, mail.body.decoded + mail.subject)
    assert_match %r{\A<http://localhost:3000/stop/[\w=%.-]{20,}>\z}, mail["List-Unsubscribe"].value
    assert_equal "List-Unsubscribe=One-Click", mail["List-Unsubscribe-Post"].value
    assert_no_match(/stop\/[\w-]{20}/, SentMail.pluck(:headers).join)
    assert_equal 0, SentMail.where(waiting: true).count
  end

  private

  def name_both
    [ @ben, @cleo ].each { |one| new_page("For #{one.name}", above: @room, by: @ana, markdown: "Ask [x](mention:#{one.public_id}).") }
  end
end
