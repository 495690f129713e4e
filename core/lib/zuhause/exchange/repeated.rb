module Zuhause
  module Exchange
    # What stands on nearly every page of a manual, at its beginning or its end, belongs to the manual and to none of its pages:
    # the bar that leads to others, the name of it all, the foot. Told by equal words, or by the same element on each page whose
    # words are mostly links.
    class Repeated
      LEAST = 4 # pages
      SHARE = 0.6 # of the pages of a folder
      LINKED = 0.5 # of the words of an element that differs from page to page
      WHOLE = 0.9 # of the words of pages that are not the same on all: what has more is what they are about
      NAMED = /nav|crumb|pager|toolbar/i # what leads elsewhere by its name, however much of it are links
      LITTLE = 20 # words of such an element that need not be links
      GAP = 14 # words of a page that may stand before or between, such as its title

      # +key+ and +shape+ as of {Survey::Part}, one of them nil; +folder+ in which it is left out, see {Repeated.folders}; +pages+: how
      # many have it; +words+: what it says on one of them.
      Found = Struct.new(:key, :shape, :folder, :pages, :words, keyword_init: true) do
        # @return [Boolean] whether it is left out of a file that lies there
        def of?(path)
          Repeated.folders(path).include?(folder)
        end
      end

      # @param path [String] of a file
      # @return [Array<String>] what it lies in, outermost first, beginning with "" for all; each once with all that is below ("manual/"),
      #   the innermost also without ("manual/.")
      def self.folders(path)
        ends = path.each_char.with_index.filter_map { |letter, i| i if letter == "/" }
        [ "", *ends.map { |i| path[0..i] } ].then { |folders| [ *folders, "#{folders.last}." ] }
      end

      # @param part [Survey::Part]
      # @return [Boolean] whether it may be a bar where it stands, and not what this page is about in an element that is one elsewhere
      def self.bar?(part)
        size = part.to - part.from
        size <= LITTLE || part.linked.to_i >= LINKED * size || part.shape.match?(NAMED)
      end

      # @param surveys [Hash{String=>Array(Integer, Array<Survey::Part>)}] how many words each file has, and its parts, by paths
      def initialize(surveys)
        @surveys = surveys
        @sizes = surveys.each_key.flat_map { |path| Repeated.folders(path) }.tally
      end

      # @return [Array<Found>]
      def found
        @found ||= candidates.then { |named| kept(surveyed { |path, words, parts| outer(path, words, parts, named) }) }
      end

      # @param path [String]
      # @return [Array<Found>] what is left out of it
      def of(path)
        found.select { |part| part.of?(path) }
      end

      private

      def surveyed
        @surveys.flat_map { |path, (words, parts)| yield(path, words, parts).uniq.flat_map { |name| Repeated.folders(path).map { |folder| [ name, folder ] } } }.tally
      end

      # @return [Hash{Array=>Integer}] names of parts with their folders, by the outermost folder in which nearly all pages have them
      def kept_names(tally)
        tally.select { |(name, folder), count| count >= LEAST && (titles.include?(name) || count >= SHARE * @sizes.fetch(folder)) }
      end

      # What several pages are called is the name of none.
      def titles
        @titles ||= @surveys.each_value.flat_map { |_words, parts| parts.filter_map { |part| [ :key, part.key ] if part.name && part.key } }.to_set
      end

      # Words of links, of the element, and those of it and of its page that differ from page to page; and pages.
      Sum = Struct.new(:linked, :words, :own, :all, :pages) do
        def add(*counts)
          counts.each_with_index { |count, i| self[i] += count }
        end

        # What pages are about.
        def about?
          own > WHOLE * all && pages >= LEAST
        end
      end
      private_constant :Sum

      # @return [Hash{Array(String, String)=>Sum}] by shape and folder, of all pages there that have it
      def sums
        same = kept_names(surveyed { |_path, _words, parts| parts.filter_map { |part| [ :key, part.key ] if part.key } }).keys.group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
        @surveys.each_with_object(Hash.new { |all, place| all[place] = Sum.new(0, 0, 0, 0, 0) }) do |(path, (words, parts)), found|
          folders = Repeated.folders(path)
          equal = joined(parts.select { |part| part.key && same[[ :key, part.key ]]&.intersect?(folders) })
          parts.select(&:shape).each do |part|
            size = part.to - part.from
            folders.each { |folder| found[[ part.shape, folder ]].add(part.linked.to_i, size, size - within(equal, part), words - equal.sum(&:size), 1) }
          end
        end
      end

      # @return [Array<Range>] of words, in order, none touching another
      def joined(parts)
        parts.map { |part| part.from...part.to }.sort_by { |range| [ range.begin, -range.end ] }.each_with_object([]) { |range, found| found << range if range.size.positive? && (found.empty? || range.begin >= found.last.end) }
      end

      def within(ranges, part)
        ranges.sum { |range| [ [ range.end, part.to ].min - [ range.begin, part.from ].max, 0 ].max }
      end

      def candidates
        sums = self.sums
        about = sums.select { |(shape, _folder), sum| sum.about? && !shape.match?(NAMED) }.keys.group_by(&:first)
        mostly = sums.select { |(shape, folder), sum| bar?(shape, sum) && about.fetch(shape, []).none? { |_shape, within| within.start_with?(folder.delete_suffix(".")) } }
        kept_names(surveyed { |_path, _words, parts| parts.flat_map { |part| [ ([ :key, part.key ] if part.key), ([ :shape, part.shape ] if part.shape) ].compact } })
          .select { |((kind, name), folder), _count| kind == :key || mostly.key?([ name, folder ]) }
          .each_with_object({}) { |((name, folder), count), found| (found[name] ||= {})[folder] = count }
      end

      def bar?(shape, sum)
        sum.linked.positive? && (sum.linked >= LINKED * sum.words || shape.match?(NAMED)) && sum.own <= WHOLE * sum.all
      end

      # @param named [Hash{Array(Symbol, String)=>Hash{String=>Integer}}] how many pages have each, by folders
      # @return [Array<Array(Symbol, String)>] names of those that stand at the edges of a page, with nothing but others between
      def outer(path, words, parts, named)
        here = parts.filter_map { |part| [ part, name(part, path, named) ] if name(part, path, named) }
        from_the_start(here) | from_the_end(here, words)
      end

      # By the words, but where the element says it of more: all of a manual, or those in another language as well.
      def name(part, path, named)
        folders = Repeated.folders(path)
        there = [ [ :key, part.key ], ([ :shape, part.shape ] if part.shape && Repeated.bar?(part)) ].compact.filter_map do |name|
          folder = folders.find { |each| named[name]&.key?(each) }
          [ folders.index(folder), -named[name][folder], name ] if folder
        end
        there.min_by { |at, count, _name| [ at, count ] }&.last
      end

      def from_the_start(here)
        at = 0
        here.sort_by { |part, _name| [ part.from, -part.to ] }.each_with_object([]) do |(part, name), found|
          break found if part.from > at + GAP

          found << name
          at = [ at, part.to ].max
        end
      end

      def from_the_end(here, words)
        at = words
        here.sort_by { |part, _name| [ -part.to, part.from ] }.each_with_object([]) do |(part, name), found|
          break found if part.to < at - GAP

          found << name
          at = [ at, part.from ].min
        end
      end

      def kept(tally)
        kept = outermost(kept_names(tally))
        said = said_by(kept.to_set { |(name, _folder), _count| name })
        kept.filter_map { |(name, folder), count| Found.new(name.first => name.last, folder: folder, pages: count, words: said[name].max_by(&:last).first) if said.key?(name) }
      end

      # @return [Hash{Array(Symbol, String)=>Hash{String=>Integer}}] what each says, and on how many pages
      def said_by(names)
        @surveys.each_value.with_object(Hash.new { |all, name| all[name] = Hash.new(0) }) do |(_words, parts), said|
          parts.reject { |part| part.words.to_s.empty? }.each { |part| [ [ :key, part.key ], [ :shape, part.shape ] ].each { |name| said[name][part.words] += 1 if names.include?(name) } }
        end
      end

      # Without those that hold in a folder around as well.
      def outermost(kept)
        kept.reject { |(name, folder), _count| Repeated.folders(folder).any? { |around| around.length < folder.length && kept.key?([ name, around ]) } }
      end
    end
  end
end
