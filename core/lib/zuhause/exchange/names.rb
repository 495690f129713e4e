require "cgi"
require "pathname"

module Zuhause
  module Exchange
    # The names of files that came together, by which links among them are followed: as they are written, and where nothing is
    # called so, without regard to case, without an ending or with that of the page which it was made into, or as the front of a
    # folder. What was written for another place than it came from is looked for from the folders above, as a page that is a folder
    # of its own, and at last by its folder and name alone, if only one is called so.
    class Names
      ENDINGS = %w[.html .htm .xhtml .md .markdown .txt .docx .odt].freeze
      ELSEWHERE = %r{\A(?:[a-z][a-z0-9+.-]*:|//)}i # with a scheme, or a host (RFC 3986, 4.2)

      # @param paths [Array<String>] with slashes between folders
      def initialize(paths)
        @paths = paths.to_set
        @followed = Hash.new { |known, (folder, path)| known[[ folder, path ]] = found(folder.to_s, plain(path)) }
        @folded = {}
        paths.each { |path| @folded[path.downcase] ||= path }
        paths.each { |path| @folded[path.downcase.delete_suffix(File.extname(path).downcase)] ||= path if ENDINGS.include?(File.extname(path).downcase) }
        paths.each { |path| @folded[path.downcase[%r{\A.*(?=/)}].to_s] ||= path if FolderTree.front(path) }
        @ends = @folded.keys.group_by { |name| ending(name) }
      end

      # @param from [String] the path of the file in which it stands
      # @param address [String] as it is written there
      # @return [Array(String|nil, String|nil), nil] the path of the file, nil for one that did not come, and the place in it; nil for
      #   an address that leads elsewhere
      def follow(from, address)
        return if address.match?(ELSEWHERE)

        written, place = address.split("#", 2)
        path = written.to_s.sub(/\?.*\z/m, "")
        place = place && plain(place)
        path.empty? ? [ from, place ] : [ @followed[[ from[%r{\A.*/}], path ]], place ]
      end

      # @param from [String] the path of the file that has a list of contents
      # @param items [Array<Array(Integer, String)>] depth and address of each entry
      # @return [Array<Array(Integer, String|nil, String|nil)>] depth, path and place, see {Arrangement::Told}
      def list(from, items)
        items.map { |depth, address| [ depth, *follow(from, address)&.then { |path, place| [ path, (place unless place.to_s.empty?) ] } ] }
      end

      private

      def found(folder, path)
        names = path.start_with?("/") ? from_above(folder, path) : [ joined(folder, path) ]
        names.each { |name| called(name)&.then { |known| return known } }
        elsewhere(path, names.first)
      end

      # From the root of a site, which may be any of the folders that a file lies in.
      def from_above(folder, path)
        folders = folder.split("/")
        [ path.delete_prefix("/"), *folders.size.downto(1).map { |count| [ *folders.first(count), path.delete_prefix("/") ].join("/") } ].map { |name| joined("", name) }
      end

      def elsewhere(path, name)
        last = ending(path.downcase.gsub(%r{(?:\A|(?<=/))\.{1,2}(?:/|\z)}, "").delete_suffix("/"))
        return unless name && last.include?("/")

        ends = @ends[last] || @ends[last.delete_suffix(File.extname(last))] || []
        ends.filter_map { |each| @folded[each] }.uniq.then { |found| found.first if found.one? }
      end

      def called(name)
        return if name.nil?
        return name if @paths.include?(name)

        folded = name == "." ? "" : name.downcase
        @folded[folded] || (@folded[folded.delete_suffix(File.extname(folded))] if ENDINGS.include?(File.extname(folded)))
      end

      # @return [String] the folder that something lies in, and what it is called
      def ending(name)
        name.split("/").last(2).join("/")
      end

      # @return [String, nil] nil for a name that no file can have
      def joined(folder, path)
        Pathname.new(folder).join(path).cleanpath.to_s.delete_prefix("./").delete_suffix("/")
      rescue ArgumentError
        nil
      end

      def plain(written)
        CGI.unescape(written.gsub("+", "%2B")).scrub("\uFFFD")
      end
    end
  end
end
