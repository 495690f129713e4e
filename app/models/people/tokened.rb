# Found by a token that is told once and kept as its digest, so that what lies in the database opens nothing.
module Tokened
  extend ActiveSupport::Concern

  class_methods do
    # @return [String] 192 bits, in letters that an address can hold
    def fresh_token
      SecureRandom.urlsafe_base64(24)
    end

    # @return [String] SHA-256, hexadecimal
    def digest(token)
      OpenSSL::Digest::SHA256.hexdigest(token.to_s)
    end
  end
end
