require "nokogiri"

module Zuhause
  module Exchange
    # The order in which a book is read (EPUB 3.3, 5.7: the spine of its package document).
    module Manifest
      LARGEST = 5 * 1024 * 1024 # bytes

      module_function

      # @param bytes [String] of the package document
      # @return [Array<String>] addresses of its texts, relative to it
      def read(bytes)
        return [] if bytes.bytesize > LARGEST

        document = Nokogiri::XML(bytes) { |config| config.nonet.recover }
        items = document.xpath("//*[local-name()='manifest']/*[local-name()='item' and @id and @href]").to_h { |item| [ item["id"], item["href"] ] }
        document.xpath("//*[local-name()='spine']/*[local-name()='itemref' and @idref]").filter_map { |reference| items[reference["idref"]] }.uniq
      end
    end
  end
end
