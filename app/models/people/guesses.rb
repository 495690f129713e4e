# Wrong passwords from one network address for one account. After too many the right one does not help for a while either,
# from there: a stranger elsewhere locks nobody out.
class Guesses
  MOST = 10
  PERIOD = 15.minutes

  # @param address [String] of the network
  # @param email [String]
  def initialize(address, email)
    @key = "guesses/#{OpenSSL::Digest::SHA256.hexdigest("#{address} #{email.to_s.strip.downcase}")}"
  end

  # Counts one more try, before it is known whether it is right.
  # @return [Boolean] whether it may be tried at all
  def allowed?
    (Rails.cache.increment(@key, 1, expires_in: PERIOD) || 1) <= MOST
  end

  def forget
    Rails.cache.delete(@key)
  end
end
