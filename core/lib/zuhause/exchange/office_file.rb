require "nokogiri"
require "zip"

module Zuhause
  module Exchange
    # A word processor's document (Office Open XML, ECMA-376, also in its strict form, ISO/IEC 29500; OpenDocument 1.3, ISO/IEC 26300)
    # made ready for a converter: what stands in text boxes comes after the paragraph that they hang on, and what a converter passes
    # over is told. The file comes from anywhere: that it is no larger than it may be is for others to see to.
    class OfficeFile
      # Of the strict form, with what most programs read in their place.
      STRICT = { "http://purl.oclc.org/ooxml/officeDocument/relationships" => "http://schemas.openxmlformats.org/officeDocument/2006/relationships",
                 "http://purl.oclc.org/ooxml/officeDocument/math" => "http://schemas.openxmlformats.org/officeDocument/2006/math",
                 "http://purl.oclc.org/ooxml/wordprocessingml" => "http://schemas.openxmlformats.org/wordprocessingml/2006",
                 "http://purl.oclc.org/ooxml/drawingml" => "http://schemas.openxmlformats.org/drawingml/2006",
                 "http://purl.oclc.org/ooxml/officeDocument" => "http://schemas.openxmlformats.org/officeDocument/2006" }.freeze
      LARGEST = 30_000_000 # bytes of a part that is taken apart
      LONGEST = 200 # characters of what is told
      MOST = 500 # of a kind that are told
      # How the parts are called in both forms: what holds the text, what says a comment, what stands on each sheet, what is drawn.
      FORMS = {
        docx: { text: %r{\Aword/(?:document|footnotes|endnotes)\.xml\z}, comments: %r{\Aword/comments\.xml\z}, comment: "comment", sheets: %r{\Aword/(?:header|footer)\d*\.xml\z}, sheet: %w[hdr ftr], drawn: %r{\Aword/(?:charts/chart|diagrams/data|embeddings/)[^/]*\z}, paragraphs: %w[p] },
        odt: { text: /\Acontent\.xml\z/, comments: /\Acontent\.xml\z/, comment: "annotation", sheets: /\Astyles\.xml\z/, sheet: %w[header footer header-left footer-left], drawn: %r{\AObject \d+/content\.xml\z}, paragraphs: %w[p h] }
      }.freeze
      MAIN = { "word/document.xml" => :docx, "content.xml" => :odt }.freeze
      private_constant :STRICT, :LARGEST, :LONGEST, :MOST, :FORMS, :MAIN

      # @return [Symbol, nil] :docx or :odt; nil for what is neither
      attr_reader :form
      # @return [String] the file, changed where it had to be
      attr_reader :bytes
      # @return [Array<Markup::MarkdownReader::Report>] what no converter will keep: +comment+, +sheet+, +drawing+, +picture+
      attr_reader :reports

      # @param bytes [String]
      # @raise [Zip::Error] for what is no such file
      def initialize(bytes)
        @bytes, @reports, @changed = bytes, [], {}
        zip = Zip::File.open_buffer(StringIO.new(bytes)) # given a block it would be written anew
        @form = MAIN.find { |name, _form| zip.find_entry(name) }&.last or return
        @parts = FORMS.fetch(@form)
        @captions = OfficeCaptions.new(styles_of(zip))
        zip.each { |entry| look(entry) if entry.file? }
        @bytes = written(zip) if @changed.any?
      end

      private

      def look(entry)
        name = entry.name
        return report(:drawing, name) if name.match?(@parts[:drawn])
        return unless name.end_with?(".xml", ".rels") && entry.size <= LARGEST

        given = entry.get_input_stream.read.to_s
        xml = strict?(given) ? loosened(given) : given
        xml = readied(xml) || xml if name.match?(@parts[:text])
        @changed[name] = xml unless xml.equal?(given)
        tell(name, xml)
      end

      def strict?(xml)
        @form == :docx && xml.include?("http://purl.oclc.org/ooxml/")
      end

      # Longer addresses first: one begins as another.
      def loosened(xml)
        STRICT.reduce(xml) { |text, (strict, usual)| text.gsub(strict, usual) }.sub(/(<w:document\b[^>]*?) w:conformance="strict"/, "\\1")
      end

      # Told in the usual form, whichever it is: the names alone are looked at.
      def styles_of(zip)
        entry = zip.find_entry("word/styles.xml") if @form == :docx
        entry && entry.size <= LARGEST ? entry.get_input_stream.read.to_s : ""
      end

      # @return [String, nil] the part with what its text boxes hold after the paragraphs that they hang on, and captions marked; nil
      #   without any
      def readied(xml)
        return unless xml.match?(/txbxContent|draw:text-box/) || @captions.in?(xml)

        root = Nokogiri::XML(xml, &:huge)
        return if root.errors.any? # what is broken is better left to whoever mends it

        changed = [ unbox(root), @captions.mark(root) ].any?
        root.to_xml(save_with: Nokogiri::XML::Node::SaveOptions::AS_XML) if changed
      end

      def unbox(root)
        return false unless root.at_xpath("//*[local-name() = 'txbxContent' or local-name() = 'text-box']")

        root.xpath("//*[local-name() = 'AlternateContent'][*[local-name() = 'Choice']]/*[local-name() = 'Fallback']").each(&:remove)
        boxes = root.xpath("//*[local-name() = 'txbxContent'] | //*[local-name() = 'text-box'][not(.//*[local-name() = 'image'])]").to_a
        boxes.reverse_each { |box| take_out(box) }
        boxes.any?
      end

      # The last comes first: so those of one paragraph keep their order, and what is within another goes along with it.
      def take_out(box)
        paragraph = around(box) or return
        box.element_children.reverse_each { |child| paragraph.add_next_sibling(child) }
        emptied(box).remove
      end

      # The box, with what was drawn around it where no picture is left in that: whoever converts it would take the words beside it for
      # a part of the drawing.
      def emptied(box)
        drawn = box
        drawn = drawn.parent until drawn.parent.nil? || %w[r frame p h].include?(drawn.parent.name) || drawn.parent.document?
        drawn.at_xpath(".//*[local-name() = 'blip' or local-name() = 'imagedata' or local-name() = 'image']") ? box : drawn
      end

      def around(node)
        node = node.parent until node.nil? || node.document? || (@parts[:paragraphs].include?(node.name) && !node.name.include?(":"))
        node if node&.element?
      end

      def tell(name, xml)
        tell_texts(:comment, xml, [ @parts[:comment] ]) if name.match?(@parts[:comments])
        tell_texts(:sheet, xml, @parts[:sheet]) if name.match?(@parts[:sheets])
        tell_pictures(xml) if name == "word/_rels/document.xml.rels"
      end

      # What is only a number is told by nobody: sheets have one each.
      def tell_texts(code, xml, names)
        return unless names.any? { |element| xml.include?(":#{element}") }

        found = Nokogiri::XML(xml).xpath(names.map { |element| "//*[local-name() = '#{element}']" }.join(" | "))
        found.map { |node| said(node) }.reject { |text| text.match?(/\A[\d\s]*\z/) }.uniq.each { |text| report(code, text) }
      end

      def said(node)
        node.xpath(".//text()[not(parent::*[local-name() = 'creator' or local-name() = 'date' or local-name() = 'instrText' or local-name() = 'creator-initials'])]").map(&:text).join(" ").split.join(" ")
      end

      # Pictures that lie elsewhere.
      def tell_pictures(xml)
        Nokogiri::XML(xml).xpath("//*[local-name() = 'Relationship'][@TargetMode = 'External']").each { |one| report(:picture, one["Target"]) if one["Type"].to_s.end_with?("/image") }
      end

      def report(code, detail)
        @reports << Markup::MarkdownReader::Report.new(code: code, detail: detail.to_s[0, LONGEST]) if @reports.count { |one| one.code == code } < MOST
      end

      def written(zip)
        Zip::OutputStream.write_buffer do |out|
          zip.each do |entry|
            next unless entry.file?
            next out.copy_raw_entry(entry) unless @changed.key?(entry.name)

            out.put_next_entry(entry.name)
            out.write(@changed[entry.name])
          end
        end.string
      end
    end
  end
end
