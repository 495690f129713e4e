require "cgi"
require "pathname"

module Zuhause
  module Exchange
    # The names of files that came together, by which links among them are followed: as they are written, and where nothing is
    # called so, without regard to case, without an ending, or as the front of a folder.
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
        paths.each { |path| @folded[path.downcase[%r{\A.*(?=/)}].to_s] ||= path if FolderTree::FRONTS.include?(File.basename(path, ".*").downcase) }
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

      private

      def found(folder, path)
        whole = path.start_with?("/") ? path.delete_prefix("/") : Pathname.new(folder).join(path).cleanpath.to_s
        whole = whole.delete_prefix("./").delete_suffix("/")
        return whole if @paths.include?(whole)

        @folded[whole == "." ? "" : whole.downcase]
      rescue ArgumentError # a name that no file can have
        nil
      end

      def plain(written)
        CGI.unescape(written.gsub("+", "%2B")).scrub("\uFFFD")
      end
    end
  end
end
