module Zuhause
  module Addresses
    # What a site asks of programs that visit it (Robots Exclusion Protocol, RFC 9309).
    class Robots
      LARGEST = 500 * 1024 # bytes that are read of it, as the protocol says
      RULE = /\A\s*(user-agent|allow|disallow)\s*:\s*([^#]*)/i
      MOST_STARS = 8 # of one path; more would take long to try
      private_constant :RULE, :MOST_STARS

      # @param text [String] robots.txt
      # @param name [String] what the program calls itself
      def initialize(text, name:)
        @groups = Hash.new { |groups, agent| groups[agent] = [] }
        read(text.to_s.byteslice(0, LARGEST).scrub(""))
        @rules = @groups.key?(name.downcase) ? @groups[name.downcase] : @groups.fetch("*", [])
      end

      # @param path [String] with its query
      # @return [Boolean] of the rules that fit, the longest counts; of equally long ones the one that allows
      def allows?(path)
        fitting = @rules.select { |_allow, pattern| fits?(pattern, path) }
        fitting.empty? || fitting.max_by { |allow, pattern| [ pattern.length, allow ? 1 : 0 ] }.first
      end

      private

      def read(text)
        agents, ruled = [], true
        text.each_line do |line|
          found = line.match(RULE) or next
          name, value = found[1], found[2].strip
          if name.casecmp?("user-agent")
            agents = [] if ruled
            ruled = false
            agents << value.downcase
            @groups[value.downcase]
          else
            ruled = true
            agents.each { |agent| @groups[agent] << [ name.casecmp?("allow"), value ] } unless value.empty?
          end
        end
      end

      # Stars one after the other, from the beginning: no pattern is tried twice.
      def fits?(pattern, path)
        ending = pattern.end_with?("$")
        parts = pattern.delete_suffix("$").split("*", -1)
        return false if parts.size > MOST_STARS + 1 || !path.start_with?(parts.first)

        at = parts.first.length
        parts.drop(1).each do |part|
          found = part.empty? ? at : path.index(part, at) or return false
          at = found + part.length
        end
        !ending || at == path.length || parts.last.empty? || path.end_with?(parts.last)
      end
    end
  end
end
