require "uri"

module Zuhause
  module Links
    # What a link means, never where it happens to be: +page:<id>+, +page:<id>#<block id>+, +promise:<title>+,
    # +file:<id>+, +person:<id>+, an address of the kinds https, http, mailto and tel, or a place that is no site (+smb:+, +file:+
    # with two strokes, +ssh:+, +sftp:+), which a house may show as a link or as text alone.
    class Target
      PUBLIC_ID = /\A[a-z0-9]{10}\z/
      WEB = %w[http https].freeze
      PLACES = %w[smb file ssh sftp].freeze
      PLACE = %r{\A[a-z]+://(?:[\p{L}\p{N}._-]+@)?[^\s@]+\z}i # a name may stand in it, a password may not
      LONGEST = Document::Schema::LONGEST_ADDRESS
      FORBIDDEN = /[[:cntrl:][:space:]<>"\\^`{|}]/
      private_constant :PLACE, :FORBIDDEN

      # +kind+ is a Symbol; +value+ the id, title or address; +block+ the block id after the # of a page target.
      attr_reader :kind, :value, :block

      # @param text [String] as it stands in a document or as somebody typed it
      # @return [Target, nil] nil for anything that is not one of the forms above
      def self.parse(text)
        return unless text.to_s.valid_encoding?

        text = text.to_s
        return if text.include?("\u0000")

        text = text.strip
        return if text.length > LONGEST

        scheme, rest = text.split(":", 2)
        return unless rest

        return place(text) if PLACES.include?(scheme.downcase) && rest.start_with?("//")

        case scheme.downcase
        when "page" then page(rest)
        when "promise" then promise(rest)
        when "file", "person" then new(scheme.downcase.to_sym, rest) if rest.match?(PUBLIC_ID)
        when *WEB then web(text)
        when "mailto" then mailto(rest)
        when "tel" then new(:tel, rest) if rest.match?(/\A\+?[0-9().\-]{2,40}\z/)
        end
      end

      # The sign in the middle may be written as a number (RFC 6068, 2).
      def self.mailto(rest)
        rest = rest.sub(/\A([^\s@<>"?]+)%40/i, '\1@')
        new(:mailto, rest) if rest.match?(/\A[^\s@<>"]+@[^\s@<>"]+\z/) && !rest.match?(FORBIDDEN)
      end
      private_class_method :mailto

      def self.page(rest)
        id, block = rest.split("#", 2)
        return unless id.to_s.match?(PUBLIC_ID) && (block.nil? || block.match?(Document::Schema::ID))

        new(:page, id, block)
      end

      # @param title [String] the title of a page that is not there yet
      def self.promise(title)
        title = Document::Title.clean(title)
        new(:promise, title) unless Document::Title.problem(title)
      end

      def self.place(text)
        new(:place, text) if text.match?(PLACE) && !text.gsub("\\", "/").match?(FORBIDDEN)
      end
      private_class_method :place

      def self.web(text)
        return if text.match?(FORBIDDEN)

        uri = URI.parse(text.gsub(/[^\x00-\x7F]/) { |c| URI.encode_www_form_component(c) })
        new(:web, text) if uri.is_a?(URI::HTTP) && uri.host && !uri.host.empty? && uri.userinfo.nil?
      rescue URI::InvalidURIError
        nil
      end
      private_class_method :web

      def initialize(kind, value, block = nil)
        @kind = kind
        @value = value
        @block = block
      end

      # @return [String] the form that documents hold
      def to_s
        case kind
        when :web, :place then value
        when :page then block ? "page:#{value}##{block}" : "page:#{value}"
        else "#{kind}:#{value}"
        end
      end

      # By what all that leads to the same is found: a page and the block in it, a title that is promised however it is written,
      # a file, a person, a source, an address.
      #
      # @param language [String, nil] of the text that it stands in
      # @return [Array(Symbol, String, String|nil)] kind, id, and block id
      def identity(language = nil)
        [ kind, kind == :promise ? Promised.key(value, language) : value, block ]
      end

      def ==(other)
        other.is_a?(Target) && to_s == other.to_s
      end
      alias eql? ==

      def hash
        to_s.hash
      end

      # @return [String, nil] the address to follow for targets outside the house
      def address
        to_s if %i[web mailto tel place].include?(kind)
      end

      # @return [String, nil] the scheme of a place that is no site
      def scheme
        value[/\A[a-z]+/i].downcase if kind == :place
      end

      # @return [String, nil] the name of the other site, for web targets
      def site
        value[%r{\Ahttps?://([^/?#:]+)}i, 1]&.downcase&.delete_prefix("www.") if kind == :web
      end
    end
  end
end
