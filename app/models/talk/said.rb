# What somebody typed, as it is kept (Zuhause::Talk::Words), and back.
module Said
  MOST_NAMES = 200 # people that may be meant by what follows the signs
  PAGE_ADDRESS = %r{\A/p/(?:[^/?#]*-)?([a-z0-9]{10})(?:#b-([a-z0-9]{8}))?\z}

  class << self
    # @param by [Person] who says it, and names whom they meet
    def keep(text, by:)
      Zuhause::Talk::Words.keep(text, people: people(text.to_s, by), inward: method(:inward))
    end

    # @return [String] on one line
    def line(text)
      Zuhause::Talk::Words.clean(text).tr("\n\t", " ")
    end

    # @param bodies [Array<String>] as they are kept
    # @return [Hash{String=>Person}] all who are named, by public id
    def people_in(bodies)
      ids = bodies.flat_map { |body| Zuhause::Talk::Words.people(body) }.uniq
      ids.any? ? Person.where(public_id: ids).index_by(&:public_id) : {}
    end

    # @return [Hash{String=>Page}] all pages that are pointed to and that the viewer sees, by public id
    def pages_in(bodies, viewer)
      ids = bodies.flat_map { |body| Zuhause::Talk::Words.parts(body) }.select { |part| part.kind == :page }.map(&:value).uniq
      ids.any? ? Page.seen_by(viewer).where(public_id: ids).index_by(&:public_id) : {}
    end

    private

    # Of all people those whose name begins with a word that follows a sign.
    def people(text, by)
      words = text.scrub("").scan(/@(\p{L}[\p{L}\p{M}\p{N}'’.-]*)/).flatten.uniq.first(20)
      return [] if words.empty?

      viewer = Viewer.new(by)
      named = words.map { |word| Person.active.where("name LIKE ?", "#{Person.sanitize_sql_like(word)}%") }.inject(:or)
      named.limit(MOST_NAMES).select { |person| viewer.meets?(person) }.map { |person| [ person.name, person.public_id ] }
    end

    # A page's address in this house is kept as the page.
    def inward(address)
      url = URI.parse(address)
      own = ActionMailer::Base.default_url_options
      return unless url.host == own[:host] && url.port == own[:port] && (match = "#{url.path}#{"##{url.fragment}" if url.fragment}".match(PAGE_ADDRESS))

      Zuhause::Links::Target.parse([ "page:#{match[1]}", match[2] ].compact.join("#"))
    rescue URI::InvalidURIError
      nil
    end
  end
end
