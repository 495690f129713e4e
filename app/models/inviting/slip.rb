# A code on paper with which somebody begins: they choose a password of their own. It works once, and for as long as an invitation
# does. As long as somebody has not begun they have a slip, and can be given a new one; nobody else can, so that no administrator
# comes to another's account by one.
class Slip < ApplicationRecord
  include Tokened

  # Letters and digits that nobody takes for one another.
  LETTERS = "abcdefghjkmnpqrstuvwxyz23456789".chars.freeze
  LENGTH = 20 # 99 bits
  GROUP = 5

  belongs_to :person

  class << self
    # @return [String] the code, which is told once
    def write(person, at: Time.current)
      code = Array.new(LENGTH) { LETTERS.sample(random: SecureRandom) }.join
      upsert({ person_id: person.id, token_digest: digest(code), expires_at: at + House.current.invitation_days.days }, unique_by: :person_id)
      code.scan(/.{#{GROUP}}/).join("-")
    end

    # @param code [String] as somebody types it
    # @return [Slip, nil] one that works still
    def at(code, now: Time.current)
      typed = code.to_s.downcase.gsub(/[^a-z0-9]/, "")
      where(expires_at: now..).find_by(token_digest: digest(typed))&.then { |slip| slip unless slip.person.suspended? } if typed.size == LENGTH
    end
  end

  # @return [Boolean] false, with errors at the person, if the password will not do
  def use(password)
    transaction do
      raise ActiveRecord::Rollback unless self.class.where(id: id).delete_all == 1 && person.update(password: password)

      true
    end || false
  end
end
