module AccountsHelper
  # What is made is what was looked at.
  #
  # @param text [String] a table of people
  def accounts_digest(text)
    OpenSSL::Digest::SHA256.hexdigest(text.to_s.scrub("").gsub(/\r\n?/, "\n"))
  end
end
