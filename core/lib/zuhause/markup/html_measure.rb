require "strscan"

module Zuhause
  module Markup
    # How large the tree of an HTML text would become, told from its tags alone: the parser repeats elements of formatting that
    # are never closed in each block that follows, equal ones three times at most (HTML 5, 13.2.4.3), so that few bytes can
    # become very many elements.
    class HTMLMeasure
      FORMATTING = %w[b big code em font i s small strike strong tt u].to_set.freeze # an open "a" is closed by the next
      TAG = %r{<(/?)([a-z][a-z0-9]*)([^<>]*)}i
      EQUAL = 3

      # @param html [String]
      # @raise [Document::Invalid] for more than can be read
      def self.judge(html)
        Document::Limits.hold(:html, html.bytesize)
        new.judge(html)
      end

      def initialize
        @open = Hash.new { |tags, name| tags[name] = [] } # tags that are not closed yet
        @repeated = Hash.new(0) # how many of them there are of each
        @count = 0 # of those that would be repeated
      end

      def judge(html)
        scanner = StringScanner.new(html)
        elements = 0
        while scanner.skip_until(TAG)
          name = scanner[2].downcase
          elements += 1
          if !FORMATTING.include?(name) then elements += @count
          else scanner[1].empty? ? open(name, scanner[3]) : close(name)
          end
          Document::Limits.hold(:markup, elements)
        end
      end

      private

      def open(name, attributes)
        @open[name] << attributes
        @count += 1 if (@repeated[[ name, attributes ]] += 1) <= EQUAL
      end

      def close(name)
        attributes = @open[name].pop or return
        @count -= 1 if (@repeated[[ name, attributes ]] -= 1) < EQUAL
      end
    end
  end
end
