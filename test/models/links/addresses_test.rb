require "test_helper"
require "socket"

# Addresses of other sites: gathered, asked for, and never a way into one's own network.
class AddressesTest < ActiveSupport::TestCase
  NAMES = %w[good moved gone slow loop barred inward].freeze

  setup do
    @house = House.current || House.create!(id: 1, name: "Ternholm Ferries")
    @house.update!(checks_addresses: true)
    @ana, @ben = person("Ana Koll"), person("Ben Rasch")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @page = new_page("Sites", above: @deck, by: @ana, markdown: NAMES.map { |name| "[#{name}](https://#{name}.example/a)" }.join(" "))
    @closed = new_page("Closed", above: @crew, by: @ana, markdown: "[x](https://gone.example/secret)")
  end

  test "each is asked for and told as it is" do
    assert_equal 8, check
    states = { "good" => "works", "moved" => "moved", "gone" => "gone", "slow" => "silent", "loop" => "silent", "barred" => "barred", "inward" => "inward" }
    assert_equal states, NAMES.to_h { |name| [ name, WebAddress.find_by!(address: "https://#{name}.example/a").state ] }
    assert_equal "https://good.example/a", WebAddress.find_by!(host: "moved.example").moved_to
    assert_equal [ [ "gone", 2 ], [ "gone", 1 ] ], [ @ana, @ben ].map { |who| [ "gone", SeenAddresses.new(Viewer.new(who), filter: "gone").count ] }
    assert_equal [ 5, 4 ], [ @ana, @ben ].map { |who| SeenAddresses.new(Viewer.new(who)).count }
    assert_equal SeenAddresses.new(Viewer.new(@ben)).count, SeenAddresses.new(Viewer.new(@ben)).addresses(limit: 50).size
  end

  test "it rests a week, longer where there was no answer, and stops when it is switched off" do
    check
    assert_equal 0, check
    assert_equal 0, check(now: 6.days.from_now)
    assert_equal 6, check(now: 8.days.from_now)
    @house.update!(checks_addresses: false)
    assert_equal 0, check(now: 1.year.from_now)
  end

  test "few of one host are asked for in one go, and what nothing leads to any more is forgotten" do
    new_page("Many", above: @deck, by: @ana, markdown: Array.new(9) { |i| "[x](https://good.example/#{i})" }.join(" "))
    assert_equal AddressCheck::OF_ONE_HOST, check - 7
    save_text(@closed, "Nothing.", by: @ana)
    @closed.publish(version: @closed.draft.version, by: @ana)
    WebAddress.gather
    assert_not WebAddress.exists?(address: "https://gone.example/secret")
  end

  test "an address that has moved is replaced everywhere" do
    check
    moved = WebAddress.find_by!(state: "moved")
    Mending.start(from: Zuhause::Links::Target.parse(moved.address), to: Zuhause::Links::Target.parse(moved.moved_to), by: @ana)
    assert_equal 2, @page.reload.links.from_editions.to(:web, "https://good.example/a").count
  end

  test "no name, number or answer leads into one's own network" do
    served do |port, asked|
      inside = "http://127.0.0.1:#{port}/"
      { inside => {}, "http://localhost:#{port}/" => {}, "http://[::1]:#{port}/" => {}, "http://[::ffff:127.0.0.1]:#{port}/" => {}, "http://2130706433:#{port}/" => {}, "http://0x7f.1:#{port}/" => {}, "http://127.1:#{port}/" => {},
        "http://evil.example:#{port}/" => { "evil.example" => %w[93.184.216.34 127.0.0.1] }, "http://mapped.example:#{port}/" => { "mapped.example" => [ "::ffff:7f00:1" ] } }.each do |address, names|
        assert_includes %i[inward silent], RealWeb.new(resolve: ->(host) { names.fetch(host, []) }).answer(URI(address)), address
      end
      assert_nil RealWeb.new(resolve: ->(_host) { [] }).robots(URI(inside))
      assert_empty asked
    end
  end

  test "of a name that means another place each time, the place that was judged is asked" do
    places = [ %w[93.184.216.34], %w[127.0.0.1] ]
    web = RealWeb.new(resolve: ->(_host) { places.shift || %w[127.0.0.1] })
    web.define_singleton_method(:request) { |_uri, ip| raise Errno::ECONNREFUSED, ip }
    assert_equal :silent, web.answer(URI("http://changing.example/"))
    assert_equal 1, places.size
    assert_equal :inward, web.answer(URI("http://changing.example/"))
  end

  test "a host of one's own network that an administrator named is asked, and its answers read no further than needed" do
    served do |port, asked|
      web = RealWeb.new(own_hosts: [ "127.0.0.1" ])
      assert_equal 200, web.answer(URI("http://127.0.0.1:#{port}/")).status
      assert_equal [ 301, "/there" ], web.answer(URI("http://127.0.0.1:#{port}/moved")).to_a
      assert_includes web.robots(URI("http://127.0.0.1:#{port}/")), "Disallow"
      assert_equal 200, web.answer(URI("http://127.0.0.1:#{port}/large")).status
      assert_equal %w[/ /moved /robots.txt /large], asked
    end
    assert_equal :silent, RealWeb.new(own_hosts: [ "127.0.0.1" ]).answer(URI("http://127.0.0.1:1/"))
  end

  test "names of hosts are kept as such" do
    @house.update!(own_hosts: "Wiki.inside,  intern.example")
    assert_equal "wiki.inside intern.example", @house.own_hosts
    assert_not @house.update(own_hosts: "http://x/y")
  end

  private

  def check(now: Time.current)
    AddressCheck.new(web: SimulatedWeb.new, pause: 0).run(now: now)
  end

  BODIES = { "/robots.txt" => "User-agent: *\nDisallow: /x", "/large" => "x" * 5_000_000 }.freeze

  # A site on this machine.
  def served
    asked, server = [], TCPServer.new("127.0.0.1", 0)
    thread = Thread.new { loop { serve(server.accept, asked) } }
    yield server.addr[1], asked
  ensure
    thread&.kill&.join
    server&.close
  end

  def serve(socket, asked)
    path = socket.gets.to_s.split[1]
    nil until socket.gets.to_s.strip.empty?
    asked << path
    body = BODIES.fetch(path, "x")
    socket.write("HTTP/1.1 #{path == "/moved" ? "301 Moved\r\nLocation: /there" : "200 OK"}\r\nContent-Length: #{body.bytesize}\r\nConnection: close\r\n\r\n#{body}")
  rescue SystemCallError
    nil # whoever asked has seen enough
  ensure
    socket.close
  end
end
