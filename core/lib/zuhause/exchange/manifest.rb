require "nokogiri"

module Zuhause
  module Exchange
    # What a book says of itself (EPUB 3.3, 5: the package document; EPUB 2.0.1, 2.4.1: the list of contents beside it).
    module Manifest
      LARGEST = 5 * 1024 * 1024 # bytes
      DEEPEST = 12 # levels of contents that are told apart

      # +texts+: addresses in the order in which they are read; +contents+: that of the text that lists them; +list+: that of a list
      # for programs, see {.list}. All are relative to the package document.
      Told = Struct.new(:title, :texts, :contents, :list, keyword_init: true)

      module_function

      # @param bytes [String] of the package document
      # @return [Told]
      def read(bytes)
        document = xml(bytes)
        items = document.xpath("//*[local-name()='manifest']/*[local-name()='item' and @id and @href]")
        by_id = items.to_h { |item| [ item["id"], item["href"] ] }
        spine = document.at_xpath("//*[local-name()='spine']")
        texts = spine ? spine.xpath("*[local-name()='itemref' and @idref]").filter_map { |reference| by_id[reference["idref"]] }.uniq : []
        title = document.at_xpath("//*[local-name()='metadata']/*[local-name()='title']")
        Told.new(title: title && title.text.split.join(" "), texts: texts, contents: items.find { |item| item["properties"].to_s.split.include?("nav") }&.[]("href"), list: spine && by_id[spine["toc"]])
      end

      # @param bytes [String] of a list of contents for programs
      # @return [Array<Array(Integer, String)>] depth from 0 and address of each entry
      def list(bytes)
        found = []
        points = ->(node, depth) { node.xpath("*[local-name()='navPoint']").each { |point| entry(point, depth, found, &points) } if depth < DEEPEST }
        xml(bytes).xpath("//*[local-name()='navMap']").first(1).each { |map| points.call(map, 0) }
        found
      end

      def entry(point, depth, found)
        address = point.at_xpath("*[local-name()='content']/@src")
        found << [ depth, address.value.strip ] if address
        yield point, depth + 1
      end
      private_class_method :entry

      def xml(bytes)
        Nokogiri::XML(bytes.bytesize > LARGEST ? "" : bytes) { |config| config.nonet.recover }
      end
      private_class_method :xml
    end
  end
end
