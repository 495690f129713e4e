require "zuhause/addresses/inward"
require "zuhause/addresses/robots"
require "zuhause/addresses/outcome"

module Zuhause
  # Addresses of other sites: which may be asked for, and what is to be thought of what they answer.
  module Addresses
    # How long an address is left alone after it was asked for, by how often it has failed one after the other.
    WEEK = 7 * 24 * 60 * 60
    LONGEST = 8 * WEEK

    module_function

    # @param text [String]
    # @return [URI::HTTP, nil] nil for what is never asked for: other schemes, credentials, no host
    def askable(text)
      uri = URI.parse(text.to_s.gsub(/[^\x00-\x7F]/) { |letter| URI.encode_www_form_component(letter) })
      uri if uri.is_a?(URI::HTTP) && uri.userinfo.nil? && !uri.host.to_s.empty?
    rescue URI::InvalidURIError
      nil
    end

    # @param fails [Integer] how often in a row it has not answered
    # @return [Integer] seconds until it may be asked for again
    def rest(fails)
      [ WEEK * (2**fails.clamp(0, 10)), LONGEST ].min
    end
  end
end
