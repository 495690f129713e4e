# Somebody from outside asks to come into the house: they show that a mail address is theirs, say who they are, and an administrator
# answers. A yes is an invitation; a no is silence.
class JoinRequest < ApplicationRecord
  include PubliclyIdentified, Tokened

  HOLDS = 3.days
  SENT_AGAIN_AFTER = 10.minutes
  MOST_SENT = 100 # mails a day that nobody has answered to, so that the door cannot be used for writing to the world
  LONGEST_WORDS = 500

  belongs_to :answered_by, class_name: "Person", optional: true

  normalizes :name, with: ->(name) { Zuhause::Document::Title.clean(name) }
  normalizes :words, with: ->(words) { words.to_s.squish.slice(0, LONGEST_WORDS) }
  validates :name, length: { maximum: 80 }
  validates :name, presence: true, if: :asked_at

  scope :unanswered, -> { where(answered_at: nil) }
  scope :waiting, -> { unanswered.where.not(asked_at: nil).order(:asked_at, :id) }

  class << self
    # Writes to an address that is nobody's here, so that whoever has it can ask. Nobody is told whether it did.
    def begin(email, now: Time.current)
      email = email.to_s.strip.downcase
      return if !House.current.asking_to_join? || !email.match?(Devise.email_regexp) || Person.exists?(email: email)

      request = unanswered.find_or_initialize_by(email: email)
      return if request.asked_at || (request.persisted? && request.sent_at > now - SENT_AGAIN_AFTER)
      return if unanswered.where(asked_at: nil, sent_at: (now - 1.day)..).count >= MOST_SENT

      request.send_out(now)
    rescue ActiveRecord::RecordNotUnique
      nil # asked twice in the same moment
    end

    # @return [JoinRequest, nil] one that can be made still
    def at(token, now: Time.current)
      return unless House.current&.asking_to_join? && token.present?

      unanswered.where(asked_at: nil, sent_at: (now - HOLDS)..).find_by(token_digest: digest(token))
    end

    # Lets go of addresses from which nobody asked, and of what was answered long ago.
    def forget(now: Time.current)
      unanswered.where(asked_at: nil, sent_at: ...(now - HOLDS)).or(where(answered_at: ...(now - 1.year))).delete_all
    end
  end

  def send_out(now)
    token = self.class.fresh_token
    update!(token_digest: self.class.digest(token), sent_at: now)
    HouseMailer.asked_to_join(self, token).deliver_now
  end

  # @return [Boolean] false, with errors
  def ask(name:, words:, at: Time.current)
    transaction do
      update(name: name, words: words, asked_at: at, token_digest: nil) && Happening.write(:join_asked, House.current, by: nil, at: at, request: public_id) && true
    end
  end

  # @param role [String] member or guest
  # @return [Boolean] whether it was this answer that counted
  def let_in(role:, by:, at: Time.current)
    answer(true, by, at) do
      invitation = Invitation.untaken.find_or_initialize_by(email: email, room_id: nil, page_id: nil, group_id: nil)
      invitation.assign_attributes(name: name, role: role, inviter: by)
      invitation.send_out(at: at) or raise ActiveRecord::RecordInvalid, invitation
      Happening.write(:house_invitation_sent, House.current, by: by, at: at, invitation: invitation.public_id)
    end
  end

  # @return [Boolean] whether it was this answer that counted
  def decline(by:, at: Time.current)
    answer(false, by, at)
  end

  private

  def answer(given, by, at)
    transaction do
      next false unless self.class.waiting.where(id: id).update_all(answered_at: at, given: given, answered_by_id: by.id) == 1

      yield if block_given?
      true
    end
  end
end
