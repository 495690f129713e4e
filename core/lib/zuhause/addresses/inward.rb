require "ipaddr"

module Zuhause
  module Addresses
    # Whether an IP address leads into one's own network, or to what is no address of a site at all. After the IANA registries
    # of special-purpose addresses for IPv4 and IPv6 (RFC 6890 and what followed it), and the forms in which an IPv4 address
    # is written within an IPv6 one (RFC 4291, 6052, 3056, 4380).
    module Inward
      V4 = %w[0.0.0.0/8 10.0.0.0/8 100.64.0.0/10 127.0.0.0/8 169.254.0.0/16 172.16.0.0/12 192.0.0.0/24 192.0.2.0/24 192.88.99.0/24 192.168.0.0/16
              198.18.0.0/15 198.51.100.0/24 203.0.113.0/24 224.0.0.0/4 240.0.0.0/4].map { |range| IPAddr.new(range) }.freeze
      V6 = %w[::/128 ::1/128 100::/64 2001::/23 2001:db8::/32 3fff::/20 5f00::/16 fc00::/7 fe80::/10 fec0::/10 ff00::/8].map { |range| IPAddr.new(range) }.freeze
      # Ranges in which an IPv4 address stands, and by how many bits it is shifted.
      EMBEDDING = { "::ffff:0:0/96" => 0, "::/96" => 0, "64:ff9b::/96" => 0, "64:ff9b:1::/48" => 0, "2002::/16" => 80 }.transform_keys { |range| IPAddr.new(range) }.freeze
      V4_BITS = 0xffffffff
      private_constant :V4, :V6, :EMBEDDING, :V4_BITS

      module_function

      # @param address [String, IPAddr]
      # @return [Boolean] true also for what is no IP address
      def inward?(address)
        ip = address.is_a?(IPAddr) ? address : IPAddr.new(address.to_s.sub(/%.*\z/, ""))
        return V4.any? { |range| range.include?(ip) } if ip.ipv4?

        V6.any? { |range| range.include?(ip) } || embedded(ip).any? { |inner| inward?(inner) }
      rescue IPAddr::Error
        true
      end

      def embedded(ip)
        EMBEDDING.filter_map { |range, shift| IPAddr.new((ip.to_i >> shift) & V4_BITS, Socket::AF_INET) if range.include?(ip) }
      end
      private_class_method :embedded
    end
  end
end
