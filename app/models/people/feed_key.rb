# What opens the feeds of one person to a program that cannot sign in: part of their addresses, until that person ends it.
class FeedKey < ApplicationRecord
  belongs_to :person

  # @return [FeedKey]
  def self.of(person)
    find_by(person: person) || create!(person: person, token: SecureRandom.urlsafe_base64(32))
  end

  # @return [Viewer, nil] who reads by that key now
  def self.viewer(token)
    person = token.present? && find_by(token: token.to_s)&.person
    Viewer.new(person) if person && !person.suspended?
  end
end
