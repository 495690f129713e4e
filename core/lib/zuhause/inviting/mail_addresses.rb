module Zuhause
  module Inviting
    # Mail addresses with names, as people paste them: one on a line or many, separated by commas or semicolons, the name before
    # the address or behind it, with or without angle brackets. An address is what HTML's 4.10.5.1.5 takes for one.
    class MailAddresses
      LOCAL = %r{[a-z0-9.!\#$%&'*+/=?^_`{|}~-]}i
      ADDRESS = /(?<!#{LOCAL})#{LOCAL}{1,64}@[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?)+/i
      AROUND = /\A[\s,;<>"'()\[\]:]+|[\s,;<>"'()\[\]:]+\z/
      LONGEST_NAME = 80
      LONGEST = 254 # octets of an address (RFC 5321, erratum 1690)

      # +name+ is "" where none was given.
      Entry = Struct.new(:name, :email, keyword_init: true)

      # @return [Array<Entry>] each address once, in lower case, with the first name that was given for it
      attr_reader :entries
      # @return [Array<String>] lines or parts of them that hold no address
      attr_reader :problems

      # @param text [String]
      def initialize(text)
        @entries, @problems = [], []
        text.to_s.scrub("").each_line(chomp: true) { |line| read(line.delete_prefix("mailto:")) }
      end

      private

      def read(line)
        return if line.strip.empty?

        found = places(line)
        return @problems << line.strip if found.empty?
        return add(line[0...found[0][0]], line[found[0][0]...found[0][1]], line[found[0][1]..]) if found.one?

        found.each_with_index { |(from, to), i| add(line[(i.zero? ? 0 : found[i - 1][1])...from], line[from...to], "") }
        rest = trimmed(line[found.last[1]..])
        @problems << rest unless rest.empty?
      end

      # @return [Array<Array(Integer, Integer)>] where addresses begin and end
      def places(line)
        found, at = [], 0
        while (match = ADDRESS.match(line, at))
          found << [ match.begin(0), at = match.end(0) ]
        end
        found
      end

      def add(before, email, after)
        return @problems << email if email.bytesize > LONGEST

        name = Document::Title.clean(turned(trimmed(before).empty? ? trimmed(after) : trimmed(before))).slice(0, LONGEST_NAME)
        known = @entries.find { |entry| entry.email == email.downcase }
        return known.name = known.name.empty? ? name : known.name if known

        @entries << Entry.new(name: name, email: email.downcase)
      end

      def trimmed(text)
        text = text.gsub(AROUND, "") while text.match?(AROUND)
        text
      end

      # Family name, first name: as address books write it.
      def turned(name)
        family, first, *more = name.split(",").map(&:strip)
        more.empty? && first && !first.empty? ? "#{first} #{family}" : name
      end
    end
  end
end
