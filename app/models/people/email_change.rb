# A person's address that is to be another. It is changed once both have agreed, the old and the new one, each by a link in
# a mail of its own, so that nobody takes over somebody's sign-in by changing where their mails go.
class EmailChange < ApplicationRecord
  include Tokened

  WAITS = 7.days

  belongs_to :person

  normalizes :email, with: ->(email) { email.strip.downcase }
  validates :email, format: { with: Devise.email_regexp }
  validate { errors.add(:email, :taken) if Person.exists?(email: email) }

  # Asks both addresses; what was asked before is void.
  # @return [EmailChange] with errors if the address will not do
  def self.ask(person, email)
    old, new = Array.new(2) { fresh_token }
    change = transaction do
      where(person: person).delete_all
      create(person: person, email: email.to_s, old_digest: digest(old), new_digest: digest(new))
    end
    change.tell(old, new) if change.persisted?
    change
  end

  # @param token [String] of the link in one of the mails
  # @return [EmailChange, nil] the one that it agrees to, not changed yet
  def self.at(token, now: Time.current)
    where(created_at: (now - WAITS)..).where(old_digest: digest(token)).or(where(created_at: (now - WAITS)..).where(new_digest: digest(token))).first
  end

  # @return [Boolean] whether the address is changed by now
  def agree(token, now: Time.current)
    which = old_digest == self.class.digest(token) ? :old_agreed_at : :new_agreed_at
    transaction do
      update!(which => now)
      next false unless old_agreed_at && new_agreed_at

      person.update!(email: email)
      Happening.write(:address_changed, person, by: person, at: now)
      destroy!
      true
    end
  end

  def tell(old, new)
    HouseMailer.change_address_from(person, email, old).deliver_now
    HouseMailer.change_address_to(person, email, new).deliver_now
  end
end
