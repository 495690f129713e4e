require "bibtex"
require "json"

module Zuhause
  module Exchange
    # Cited works in and out as BibTeX and as CSL JSON (Citation Style Language 1.0.2, "CSL-JSON").
    module Bibliography
      # A work: +title+, +author+ (several apart by "; "), +publisher+, +address+, +date+ ("2021", "2021-03" or "2021-03-05") and
      # +accessed+ of the same form, all Strings, empty where nothing is known; +key+ names it within a list.
      Work = Struct.new(:key, :title, :author, :publisher, :address, :date, :accessed, keyword_init: true) do
        def initialize(**values)
          super(**{ key: "", title: "", author: "", publisher: "", address: "", date: "", accessed: "" }.merge(values.transform_values(&:to_s)))
        end
      end

      # Raised for a text that is neither of the two.
      class Unreadable < StandardError; end

      PUBLISHERS = %i[publisher organization institution school journal journaltitle howpublished booktitle].freeze
      LARGEST = 1024 * 1024
      MONTHS = %w[jan feb mar apr may jun jul aug sep oct nov dec].freeze
      private_constant :MONTHS

      module_function

      # @param text [String] BibTeX or CSL JSON
      # @return [Array<Work>] those that have a title
      # @raise [Unreadable]
      def read(text)
        text = Document::Normal.clean(text.dup.force_encoding(Encoding::UTF_8))
        raise Unreadable if text.bytesize > LARGEST

        works = text.lstrip.start_with?("[", "{") ? read_csl(text) : read_bibtex(text)
        works.reject { |work| work.title.empty? }.tap { |found| raise Unreadable if found.empty? }
      end

      # @param works [Array<Work>]
      # @return [String]
      def bibtex(works)
        bibliography = BibTeX::Bibliography.new
        works.each do |work|
          entry = BibTeX::Entry.new(bibtex_type: work.address.empty? ? :book : :misc, bibtex_key: work.key)
          fields = { title: work.title, author: work.author, publisher: work.publisher, url: work.address, date: work.date, year: work.date[/\A\d{4}/], urldate: work.accessed }
          fields.each { |name, value| entry[name] = name == :author ? authors(value) : escaped(value, name) unless value.to_s.empty? }
          bibliography << entry
        end
        bibliography.to_s
      end

      # @param works [Array<Work>]
      # @return [String] JSON
      def csl(works)
        JSON.pretty_generate(works.map do |work|
          { "id" => work.key, "type" => work.address.empty? ? "book" : "webpage", "title" => work.title, "author" => work.author.split(/\s*;\s*/).map { |name| csl_name(name) },
            "publisher" => work.publisher, "URL" => work.address, "issued" => csl_date(work.date), "accessed" => csl_date(work.accessed) }.reject { |_name, value| value.nil? || value.empty? }
        end)
      end

      def read_bibtex(text)
        bibliography = BibTeX.parse(text, filter: :latex, parse_names: false)
        bibliography.select { |entry| entry.is_a?(BibTeX::Entry) }.map do |entry|
          field = ->(*names) { names.filter_map { |name| entry[name]&.to_s&.tr("{}", "") }.find { |value| !value.strip.empty? }.to_s.gsub(/\s+/, " ").strip }
          Work.new(key: entry.key, title: field[:title], author: field[:author, :editor].split(/\s+and\s+/).join("; "), publisher: field[*PUBLISHERS], address: field[:url],
                   date: written_date(field[:date], field[:year], field[:month]), accessed: field[:urldate])
        end
      rescue BibTeX::ParseError, Racc::ParseError, ArgumentError, EncodingError => e
        raise Unreadable, e.message
      end
      private_class_method :read_bibtex

      def read_csl(text)
        works = JSON.parse(text, max_nesting: 20)
        works = works["items"] || [ works ] if works.is_a?(Hash)
        works.select { |work| work.is_a?(Hash) }.map do |work|
          names = Array(work["author"] || work["editor"]).select { |name| name.is_a?(Hash) }
          Work.new(key: work["id"], title: work["title"], author: names.map { |name| name["literal"] || [ name["family"], name["given"] ].compact.join(", ") }.join("; "),
                   publisher: work["publisher"] || work["container-title"], address: work["URL"], date: date(work["issued"]), accessed: date(work["accessed"]))
        end
      rescue JSON::ParserError => e
        raise Unreadable, e.message
      end
      private_class_method :read_csl

      def written_date(date, year, month)
        return date unless date.empty?

        number = MONTHS.index(month.downcase[0, 3])&.succ || month.to_i
        number.between?(1, 12) && year.match?(/\A\d{4}\z/) ? format("%s-%02d", year, number) : year
      end
      private_class_method :written_date

      def date(written)
        return "" unless written.is_a?(Hash)

        parts = Array(Array(written["date-parts"]).first).map(&:to_i)
        parts.empty? ? written["raw"] || written["literal"] : [ parts[0], *parts[1..].map { |part| format("%02d", part) } ].join("-")
      end
      private_class_method :date

      def csl_date(written)
        parts = written.match(/\A(\d{4})(?:-(\d\d))?(?:-(\d\d))?\z/)&.captures&.compact or return (written.empty? ? nil : { "raw" => written })

        { "date-parts" => [ parts.map(&:to_i) ] }
      end
      private_class_method :csl_date

      def csl_name(name)
        family, given = name.split(/,\s*/, 2)
        given ? { "family" => family, "given" => given } : { "literal" => name }
      end
      private_class_method :csl_name

      # A name without a comma is not to be taken apart.
      def authors(names)
        names.split(/\s*;\s*/).map { |name| name.include?(",") ? escaped(name, :author) : "{#{escaped(name, :author)}}" }.join(" and ")
      end
      private_class_method :authors

      # What BibTeX reads as its own is escaped; addresses stand as they are, but for braces.
      def escaped(value, name)
        name == :url ? value.gsub(/[{}]/) { |brace| format("%%%02X", brace.ord) } : value.gsub(/[{}\\]/, "").gsub(/[&%$#_]/) { |sign| "\\#{sign}" }
      end
      private_class_method :escaped
    end
  end
end
