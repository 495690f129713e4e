require "net/http"
require "resolv"

# Other sites as they are. A host's addresses are looked up here, all of them judged, and it is one of those that is connected
# to: what the name leads to a moment later makes no difference. Nothing but the first bytes of an answer is read.
class RealWeb
  NAME = "zuhause".freeze
  AGENT = "zuhause (checks links of a documentation house)".freeze
  TIMEOUT = 10 # seconds, to connect and for each read
  ALTOGETHER = 20 # seconds for one address
  LARGEST = Zuhause::Addresses::Robots::LARGEST # bytes that are read of what is asked of programs

  # @param own_hosts [Array<String>] of one's own network that may be asked
  # @param resolve [#call] gives the IP addresses of a host
  def initialize(own_hosts: [], resolve: ->(host) { Resolv.getaddresses(host) })
    @own_hosts, @resolve = own_hosts.map(&:downcase), resolve
  end

  # @param uri [URI::HTTP]
  # @return [Zuhause::Addresses::Answer, Symbol] :silent, or :inward for what is not asked for
  def answer(uri)
    ip = place(uri.host)
    return ip if ip.is_a?(Symbol)

    response = request(uri, ip) { |answer| answer }
    Zuhause::Addresses::Answer.new(status: response.code.to_i, location: response["Location"])
  rescue IOError, SystemCallError, Timeout::Error, OpenSSL::SSL::SSLError, Net::HTTPBadResponse, Net::HTTPHeaderSyntaxError, Net::ProtocolError, ArgumentError
    :silent
  end

  # @return [String, nil] what the site asks of programs; nothing where it does not say
  def robots(uri)
    ip = place(uri.host)
    return if ip.is_a?(Symbol)

    text = +""
    request(URI.join(uri, "/robots.txt"), ip) do |answer|
      answer.read_body { |part| break if (text << part).bytesize > LARGEST } if answer.is_a?(Net::HTTPSuccess)
    end
    text
  rescue IOError, SystemCallError, Timeout::Error, OpenSSL::SSL::SSLError, Net::HTTPBadResponse, Net::HTTPHeaderSyntaxError, Net::ProtocolError, ArgumentError
    nil
  end

  private

  # @return [String, Symbol] the IP address that is connected to
  def place(host)
    host = host.delete("[]").downcase
    found = literal?(host) ? [ host ] : @resolve.call(host).map(&:to_s)
    return :silent if found.empty?
    return :inward unless @own_hosts.include?(host) || found.none? { |ip| Zuhause::Addresses::Inward.inward?(ip) }

    found.first
  end

  # Only what is written as an IP address in full is one; "127.1" is a name that nothing is called.
  def literal?(host)
    IPAddr.new(host) && true
  rescue IPAddr::Error
    false
  end

  # The body is left where it is: the connection is closed when the head has been read.
  def request(uri, ip)
    http = Net::HTTP.new(uri.host, uri.port, nil)
    http.ipaddr = ip
    http.use_ssl = uri.scheme == "https"
    http.open_timeout = http.read_timeout = http.write_timeout = http.ssl_timeout = TIMEOUT
    http.max_retries = 0
    Timeout.timeout(ALTOGETHER) do
      http.start do
        http.request(Net::HTTP::Get.new(uri, "User-Agent" => AGENT, "Accept" => "*/*", "Accept-Encoding" => "identity", "Range" => "bytes=0-0")) do |response|
          yield response
          return response
        end
      end
    end
  end
end
