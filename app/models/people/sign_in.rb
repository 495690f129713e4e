# A sign-in that holds. Its token is in the session's cookie; without the row the cookie is worth nothing.
class SignIn < ApplicationRecord
  include Tokened

  LONGEST = 90.days

  belongs_to :person

  # The first one opens the person's own room too.
  #
  # @return [String] the token of a new one
  def self.begin(person, now: Time.current)
    fresh_token.tap do |token|
      where(person: person, created_at: ...(now - LONGEST)).delete_all
      create!(person: person, token_digest: digest(token), created_at: now)
      Happening.write(:signed_in, person, by: person, at: now)
      Room.own_of(person)
    end
  end

  def self.holds?(person, token, now: Time.current)
    token.present? && exists?(person: person, token_digest: digest(token), created_at: (now - LONGEST)..)
  end

  def self.end(token)
    where(token_digest: digest(token)).delete_all if token.present?
  end
end
