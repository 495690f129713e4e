# Asks for addresses of other sites that are due: one after the other, few of one host at a time, and only what does not lead
# into one's own network.
class AddressCheck
  MOST = 60 # in one go
  OF_ONE_HOST = 5
  PAUSE = 2 # seconds between two of one host

  # @param web [#answer, #robots] see RealWeb
  def initialize(web: self.class.web, pause: PAUSE)
    @web, @pause = web, pause
    @robots, @asked = {}, {}
  end

  # @return [#answer, #robots] the simulated one but where an administrator lets a house ask outside
  def self.web
    Rails.env.production? ? RealWeb.new(own_hosts: House.current.own_hosts.split) : SimulatedWeb.new
  end

  # @return [Integer] how many were asked for
  def run(now: Time.current)
    return 0 unless House.current&.checks_addresses?

    WebAddress.gather(now: now)
    chosen(now).count do |row|
      break 0 unless House.current.checks_addresses? # paused meanwhile

      row.note(Zuhause::Addresses.follow(row.address) { |uri| ask(uri) }, now: now)
      true
    end
  end

  private

  def chosen(now)
    taken = Hash.new(0)
    WebAddress.due(now).limit(MOST * 10).select { |row| (taken[row.host] += 1) <= OF_ONE_HOST }.first(MOST)
  end

  def ask(uri)
    return :barred unless robots(uri).allows?(uri.request_uri)

    spare(uri.host)
    @web.answer(uri)
  end

  def robots(uri)
    site = "#{uri.scheme}://#{uri.host}:#{uri.port}"
    @robots[site] ||= begin
      spare(uri.host)
      Zuhause::Addresses::Robots.new(@web.robots(uri).to_s, name: RealWeb::NAME)
    end
  end

  def spare(host)
    rest = (@asked[host] || -@pause) + @pause - clock
    sleep(rest) if rest.positive?
    @asked[host] = clock
  end

  def clock
    Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
