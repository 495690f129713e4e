require_relative "../test_helper"

class AddressesTest < Minitest::Test
  include Zuhause

  INWARD = %w[127.0.0.1 127.1.2.3 10.0.0.1 10.255.255.255 172.16.0.1 172.31.255.255 192.168.1.1 169.254.169.254 100.64.0.1 100.127.255.255 0.0.0.0 0.1.2.3 255.255.255.255
              224.0.0.1 239.1.1.1 198.18.0.1 192.0.2.1 203.0.113.9 :: ::1 fe80::1 fe80::1%eth0 febf::1 fc00::1 fd12:3456::1 ff02::1 ::ffff:127.0.0.1 ::ffff:10.0.0.1 ::ffff:7f00:1
              ::ffff:169.254.169.254 ::127.0.0.1 ::7f00:1 64:ff9b::7f00:1 64:ff9b::a00:1 2002:7f00:1:: 2002:a00:1::1 2001:0:1::1 2001:db8::1 100::1 localhost 127.1 0x7f.1 2130706433 nonsense].freeze
  OUTWARD = %w[1.1.1.1 8.8.8.8 93.184.216.34 172.15.255.255 172.32.0.1 100.63.255.255 100.128.0.1 11.0.0.1 169.253.1.1 192.167.1.1 2606:4700::1111 2a00:1450::1 ::ffff:8.8.8.8 64:ff9b::808:808 2002:808:808::1].freeze

  def test_no_way_inward_in_whatever_disguise
    INWARD.each { |address| assert Addresses::Inward.inward?(address), address }
    OUTWARD.each { |address| refute Addresses::Inward.inward?(address), address }
  end

  def test_every_private_address_is_inward_written_as_a_mapped_one_too
    random = Random.new(SEED)
    300.times do
      v4 = [ [ 10, *bytes(random, 3) ], [ 127, *bytes(random, 3) ], [ 192, 168, *bytes(random, 2) ], [ 172, 16 + random.rand(16), *bytes(random, 2) ] ].sample(random: random).join(".")
      hex = v4.split(".").map { |byte| format("%02x", byte.to_i) }.join.scan(/..../).join(":")
      [ v4, "::ffff:#{v4}", "::#{hex}", "64:ff9b::#{hex}", "2002:#{hex}::" ].each { |form| assert Addresses::Inward.inward?(form), form }
    end
  end

  def test_only_the_web_is_asked_for
    %w[http://x.example https://x.example:8443/a?b=c HTTP://X.example].each { |address| assert Addresses.askable(address), address }
    [ "ftp://x.example", "file:///etc/passwd", "http://u:p@x.example", "http://u@x.example", "http://", "https:///x", "javascript:alert(1)", "gopher://x", "not an address", "", nil ].each { |address| assert_nil Addresses.askable(address), address.inspect }
  end

  def test_what_a_site_asks_for
    robots = Addresses::Robots.new("# x\nUser-agent: other\nDisallow: /\n\nUser-agent: *\nUser-Agent: zuhause\nDisallow: /private # no\nAllow: /private/open\nDisallow: /*.pdf$\nDisallow:\n", name: "Zuhause")
    { "/" => true, "/private" => false, "/private/x" => false, "/private/open/x" => true, "/a/b.pdf" => false, "/a/b.pdf?x" => true, "/b.pdf/c.pdf" => false }.each { |path, allowed| assert_equal allowed, robots.allows?(path), path }
    assert Addresses::Robots.new("", name: "x").allows?("/")
    refute Addresses::Robots.new("User-agent: *\nDisallow: /", name: "x").allows?("/y")
    assert Addresses::Robots.new("User-agent: x\nAllow: /\n\nUser-agent: *\nDisallow: /", name: "X").allows?("/y")
    assert Addresses::Robots.new("\xff\xfe\nDisallow /\nUser-agent", name: "x").allows?("/y")
    assert Addresses::Robots.new("User-agent: *\nDisallow: /#{"*a" * 5000}b", name: "x").allows?("/#{"a" * 5000}")
  end

  def test_where_an_address_leads
    { %w[http://a.example/] => [ :works, nil ], [ "http://a.example/", 301, "/b", 200 ] => [ :moved, "http://a.example/b" ], [ "http://a.example/", 302, "/b", 200 ] => [ :works, nil ],
      [ "http://a.example/", 301, "/b", 302, "/c", 200 ] => [ :works, nil ], [ "http://a.example/", 308, "https://b.example/x", 404 ] => [ :gone, nil ],
      [ "http://a.example/", 410 ] => [ :gone, nil ], [ "http://a.example/", 403 ] => [ :works, nil ], [ "http://a.example/", 500 ] => [ :silent, nil ], [ "http://a.example/", 429 ] => [ :silent, nil ],
      [ "http://a.example/", 301, "http://a.example/" ] => [ :silent, nil ], [ "http://a.example/", 301, "file:///etc/passwd" ] => [ :inward, nil ],
      [ "http://a.example/", 301, "http://u:p@b.example/" ] => [ :inward, nil ], [ "ftp://a.example/" ] => [ :inward, nil ], [ "http://a.example/", 301, "::bad::" ] => [ :inward, nil ] }.each do |(address, *answers), (state, to)|
      asked = answers.dup
      outcome = Addresses.follow(address) { Addresses::Answer.new(status: asked.shift || 200, location: (asked.shift if asked.first.is_a?(String))) }
      assert_equal [ state, to ], [ outcome.state, outcome.moved_to ], [ address, *answers ].inspect
    end
    assert_equal :silent, Addresses.follow("http://a.example/0") { |uri| Addresses::Answer.new(status: 302, location: uri.path.succ) }.state
    assert_equal %i[silent barred inward], %i[silent barred inward].map { |answer| Addresses.follow("http://a.example/") { answer }.state }
  end

  def test_an_address_rests_a_week_and_longer_each_time_it_does_not_answer
    assert_equal [ 1, 2, 4, 8, 8, 8 ], [ 0, 1, 2, 3, 4, 1000 ].map { |fails| Addresses.rest(fails) / Addresses::WEEK }
  end

  private

  def bytes(random, count)
    Array.new(count) { random.rand(256) }
  end
end
