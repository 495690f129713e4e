# A random id for addresses and documents, which tells nothing and cannot be guessed.
module PubliclyIdentified
  extend ActiveSupport::Concern

  FORMAT = Zuhause::Links::Target::PUBLIC_ID

  # @return [String] a new one
  def self.generate
    SecureRandom.alphanumeric(Zuhause::Document::Ids::PUBLIC_LENGTH, chars: Zuhause::Document::Ids::LETTERS)
  end

  included do
    before_validation(on: :create) { self.public_id = PubliclyIdentified.generate if public_id.blank? }
    validates :public_id, format: { with: FORMAT }
  end

  def to_param
    public_id
  end
end
