require "nokogiri"
require "zip"

module Zuhause
  module Finding
    # What stands in a file, in pieces each with its place, so that it can be found: text by its lines, word processor documents by
    # their headings (Office Open XML, ECMA-376; OpenDocument 1.3, ISO/IEC 26300), and the pages of whatever was taken apart before.
    # Files come from anywhere: what is broken, or larger than it may be, gives nothing.
    module FilePieces
      # +place+ is a page's number, the number of the first line, or the heading under which it stands; +text+ on lines.
      Piece = Struct.new(:place, :text, keyword_init: true)

      DOCX, ODT = "application/vnd.openxmlformats-officedocument.wordprocessingml.document", "application/vnd.oasis.opendocument.text"
      TEXTS = %w[text/plain text/markdown text/csv].freeze
      TYPES = [ DOCX, ODT, *TEXTS ].freeze

      MOST = 500 # pieces of a file
      LONGEST = 5000 # characters of one
      LINES = 40 # of a text in one piece
      LARGEST = 10_000_000 # bytes of a text, or of a document that is unpacked
      private_constant :LARGEST

      module_function

      # @param bytes [String]
      # @param type [String] one of {TYPES}
      # @return [Array<Piece>]
      def of(bytes, type)
        case type
        when DOCX then headed(paragraphs_of_docx(unpacked(bytes, "word/document.xml")))
        when ODT then headed(paragraphs_of_odt(unpacked(bytes, "content.xml")))
        else lines(text(bytes.byteslice(0, LARGEST)))
        end
      rescue Zip::Error, Zlib::Error, Nokogiri::SyntaxError
        []
      end

      # @param texts [Array<String>] of pages, in order
      # @return [Array<Piece>]
      def pages(texts)
        texts.first(MOST).each_with_index.filter_map { |page, i| piece(i + 1, text(page)) }
      end

      def lines(text)
        text.lines.each_slice(LINES).first(MOST).each_with_index.filter_map { |lines, i| piece((i * LINES) + 1, lines.join) }
      end
      private_class_method :lines

      # In the encoding that it is most likely in.
      def text(bytes)
        given = bytes.dup.force_encoding(Encoding::UTF_8)
        given = bytes.dup.force_encoding(Encoding::Windows_1252).encode(Encoding::UTF_8, invalid: :replace, undef: :replace) unless given.valid_encoding?
        Document::Normal.clean(given)
      end
      private_class_method :text

      def unpacked(bytes, name)
        Zip::File.open_buffer(StringIO.new(bytes)) do |zip|
          entry = zip.find_entry(name) or return
          return if entry.size > LARGEST

          # What the entry says of its size may be a lie.
          found = entry.get_input_stream.read(LARGEST + 1)
          return found if found && found.bytesize <= LARGEST
        end
        nil
      end
      private_class_method :unpacked

      # @return [Array<Array(String, Boolean)>] text of each paragraph, and whether it is a heading
      def paragraphs_of_docx(xml)
        return [] unless xml

        Nokogiri::XML(xml, &:nonet).remove_namespaces!.xpath("//p").map do |node|
          [ node.xpath(".//t|.//tab|.//br").map { |part| part.name == "t" ? part.text : " " }.join, node.at_xpath(".//pStyle/@val").to_s.match?(/\A(?:heading|title|überschrift)/i) ]
        end
      end
      private_class_method :paragraphs_of_docx

      def paragraphs_of_odt(xml)
        return [] unless xml

        Nokogiri::XML(xml, &:nonet).remove_namespaces!.xpath("//text//h|//text//p").map { |node| [ node.xpath(".//text()|.//tab|.//s|.//line-break").map { |part| part.text? ? part.text : " " }.join, node.name == "h" ] }
      end
      private_class_method :paragraphs_of_odt

      def headed(paragraphs)
        runs = paragraphs.slice_before { |_text, heading| heading }.first(MOST)
        runs.filter_map { |run| piece(run.first.last ? Document::Title.clean(run.first.first) : "", run.map(&:first).join("\n")) }
      end
      private_class_method :headed

      # Nothing where there is nothing to read.
      def piece(place, text)
        text = Document::Normal.clean(text).gsub(/[^\S\n]+/, " ").gsub(/\s*\n\s*/, "\n").strip[0, LONGEST]
        Piece.new(place: place, text: text) if text.match?(/[\p{L}\p{N}]/)
      end
      private_class_method :piece
    end
  end
end
