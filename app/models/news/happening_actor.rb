# Who did something. When a person is erased this row goes and the happening stays, with a digest that tells nobody anything.
class HappeningActor < ApplicationRecord
  self.primary_key = :happening_id

  belongs_to :happening
  belongs_to :person

  # @param salt [String] random, of this row alone
  # @return [String]
  def self.digest(person, salt)
    Digest::SHA256.hexdigest("#{salt}#{person.public_id}")[0, 32]
  end
end
