require "json"

module Zuhause
  module Exchange
    # Cited works in and out as CSL JSON (Citation Style Language 1.0.2, "CSL-JSON") and as BibTeX (the fields of biblatex 3).
    # Reading BibTeX is left to a program that turns it into CSL JSON: it is a language, with strings, crossings and TeX in it.
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

      LARGEST = 1024 * 1024
      MOST = 2000
      # The start of an entry of BibTeX, up to its first comma.
      ENTRY = /^([ \t]*@\w+[ \t]*[{(][ \t]*[^,\s{}"=]+[ \t]*,)/
      LANGUAGE = /((?:^|,)\s*)(langid|hyphenation)(?=\s*=\s*[{"])/i
      # What CSL JSON allows of markup within its texts.
      MARKUP = %r{</?(?:i|b|sub|sup|sc|span)(?:\s[^<>]{0,100})?>}
      SIGNS = { "\\" => "\\textbackslash{}", "{" => "\\{", "}" => "\\}", "~" => "\\textasciitilde{}", "^" => "\\textasciicircum{}" }.freeze
      private_constant :ENTRY, :LANGUAGE, :MARKUP, :SIGNS

      module_function

      # @param text [String] BibTeX or CSL JSON
      # @yield [bibtex] what is not CSL JSON, made ready so that titles keep their case
      # @yieldreturn [String] CSL JSON
      # @return [Array<Work>] those that have a title, at most {MOST}
      # @raise [Unreadable]
      def read(text)
        text = Document::Normal.clean(text.dup.force_encoding(Encoding::UTF_8))
        raise Unreadable if text.bytesize > LARGEST

        csl = text.lstrip.start_with?("[", "{") ? text : yield(in_no_language(text))
        read_csl(csl).reject { |work| work.title.empty? }.first(MOST).tap { |found| raise Unreadable if found.empty? }
      end

      # @param works [Array<Work>]
      # @return [String]
      def bibtex(works)
        works.map do |work|
          fields = { title: braced(escaped(work.title)), author: authors(work.author), publisher: escaped(work.publisher), url: address(work.address),
                     date: work.date, year: work.date[/\A\d{4}/].to_s, urldate: work.accessed }.reject { |_name, value| value.empty? }
          "@#{work.address.empty? ? "book" : "misc"}{#{work.key},\n#{fields.map { |name, value| "  #{name} = {#{value}}" }.join(",\n")}\n}\n"
        end.join("\n")
      end

      # @param works [Array<Work>]
      # @return [String] JSON
      def csl(works)
        JSON.pretty_generate(works.map do |work|
          { "id" => work.key, "type" => work.address.empty? ? "book" : "webpage", "title" => work.title, "author" => work.author.split(/\s*;\s*/).map { |name| csl_name(name) },
            "publisher" => work.publisher, "URL" => work.address, "issued" => csl_date(work.date), "accessed" => csl_date(work.accessed) }.reject { |_name, value| value.nil? || value.empty? }
        end)
      end

      # Programs put titles of English works into lower case; those of no language they leave as they are.
      def in_no_language(bibtex)
        bibtex.gsub(LANGUAGE) { "#{$1}was#{$2}" }.gsub(ENTRY) { "#{$1} langid = {und}," }
      end
      private_class_method :in_no_language

      def read_csl(text)
        works = JSON.parse(text, max_nesting: 20)
        works = works["items"] || [ works ] if works.is_a?(Hash)
        works.select { |work| work.is_a?(Hash) }.map do |work|
          Work.new(key: work["id"], title: plain(work["title"]), author: names(work["author"] || work["editor"]), publisher: plain(work["publisher"] || work["container-title"]),
                   address: work["URL"], date: date(work["issued"]), accessed: date(work["accessed"]))
        end
      rescue JSON::ParserError => e
        raise Unreadable, e.message
      end
      private_class_method :read_csl

      def names(written)
        Array(written).grep(Hash).map { |name| name["literal"] || [ family(name), *name.values_at("given", "suffix") ].compact.join(", ") }.join("; ")
      end
      private_class_method :names

      def family(name)
        name.values_at("dropping-particle", "non-dropping-particle", "family").compact.join(" ")
      end
      private_class_method :family

      def plain(text)
        text.to_s.gsub(MARKUP, "").gsub(/\s+/, " ").strip
      end
      private_class_method :plain

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
        names.split(/\s*;\s*/).map { |name| name.include?(",") ? escaped(name) : braced(escaped(name)) }.join(" and ")
      end
      private_class_method :authors

      # What stands in braces is left as it is.
      def braced(value)
        value.empty? ? value : "{#{value}}"
      end
      private_class_method :braced

      def address(value)
        value.gsub(/[{}\\]/) { |sign| format("%%%02X", sign.ord) }
      end
      private_class_method :address

      def escaped(value)
        value.gsub(/[{}\\~^]/, SIGNS).gsub(/[&%$#_]/) { |sign| "\\#{sign}" }
      end
      private_class_method :escaped
    end
  end
end
