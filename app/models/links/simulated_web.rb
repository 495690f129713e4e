# Other sites as they could be, for the demo and for tests: nothing leaves the machine. What each host does stands in its name:
# good.example works, moved.example has moved for good to good.example, gone.example knows nothing, slow.example never answers,
# loop.example sends one round in circles, barred.example wants no programs, inward.example leads into one's own network.
# Every other host works.
class SimulatedWeb
  HOSTS = {
    "moved" => ->(uri) { [ 301, "https://good.example#{uri.request_uri}" ] },
    "gone" => ->(_uri) { [ 404, nil ] },
    "loop" => ->(uri) { [ 302, uri.to_s ] },
    "inward" => ->(_uri) { [ 302, "http://127.0.0.1/" ] }
  }.freeze

  # @param uri [URI::HTTP]
  # @return [Zuhause::Addresses::Answer, Symbol]
  def answer(uri)
    name = uri.host.split(".").first
    return :silent if name == "slow"
    return :inward if inward?(uri.host)

    status, location = HOSTS.fetch(name, ->(_uri) { [ 200, nil ] }).call(uri)
    Zuhause::Addresses::Answer.new(status: status, location: location)
  end

  def robots(uri)
    uri.host.start_with?("barred.") ? "User-agent: *\nDisallow: /" : ""
  end

  private

  def inward?(host)
    IPAddr.new(host.delete("[]")) && Zuhause::Addresses::Inward.inward?(host.delete("[]"))
  rescue IPAddr::Error
    false
  end
end
