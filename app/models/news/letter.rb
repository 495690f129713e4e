# What somebody has been told, in one mail: of what they may see when it is sent, and have not looked at by themselves. What is told
# is taken first, so that nothing is mailed twice, whatever becomes of the process.
class Letter
  # Acts that have a mail of their own, if it is the only thing to tell.
  OWN_MAILS = {
    "named" => ->(telling, happening) { HouseMailer.named(telling.person, happening.page, by: happening.person) },
    "addressed" => ->(telling, happening) { Remark.kept.find_by(public_id: happening.details["remark"])&.then { |remark| HouseMailer.addressed(telling.person, remark, by: happening.person) } },
    "review_asked" => ->(telling, happening) { HouseMailer.review(telling.person, :asked, happening.page, by: happening.person, note: happening.page.review.note) },
    "review_approved" => ->(telling, happening) { HouseMailer.review(telling.person, :approved, happening.page, by: happening.person) },
    "review_sent_back" => ->(telling, happening) { HouseMailer.review(telling.person, :sent_back, happening.page, by: happening.person, note: happening.page.review.reason) }
  }.freeze

  class << self
    # @param tellings [ActiveRecord::Relation<Telling>]
    # @return [Integer] mails written
    def send_due(tellings = Telling.all, now: Time.current)
      tellings.to_mail(now).distinct.pluck(:person_id).count { |id| send_to(Person.find(id), tellings, now) }
    end

    # Asked when a mail leaves: if some of what it tells is not open to its reader any more, the rest is written anew, and it is
    # let go.
    #
    # @param mail [SentMail]
    def still_told?(mail)
      return true if mail.tellings.empty?

      told = Telling.where(id: mail.tellings)
      person = told.first&.person
      seen = person && !person.suspended? ? told.seen_by(Viewer.new(person)).includes(:page, :room, happening: :person).order(:happening_id).to_a : []
      return true if seen.size == mail.tellings.size

      Telling.transaction { mail.let_go && seen.any? && new(person, seen).write }
      false
    end

    private

    def send_to(person, tellings, now)
      Telling.transaction do
        due = tellings.to_mail(now).where(person: person)
        ids = due.ids
        next false if ids.empty? || due.update_all(mailed_at: now).zero? || person.suspended?

        seen = Telling.where(id: ids).unseen.seen_by(Viewer.new(person)).includes(:page, :room, happening: :person).order(:happening_id).to_a
        new(person, seen).write if seen.any?
      end
    end
  end

  # @param tellings [Array<Telling>]
  def initialize(person, tellings)
    @person, @tellings = person, tellings
  end

  # @return [Boolean] whether there was something to write
  def write
    mail = (own_mail(@tellings.first) if @tellings.one?) || HouseMailer.news(@person, @tellings)
    mail["X-Tellings"] = @tellings.map(&:id).join(",")
    mail.deliver_now
    true
  end

  private

  def own_mail(telling)
    OWN_MAILS[telling.happening.act]&.call(telling, telling.happening)
  end
end
