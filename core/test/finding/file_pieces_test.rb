require_relative "../test_helper"

class FilePiecesTest < Minitest::Test
  FilePieces = Zuhause::Finding::FilePieces

  WORD = "http://schemas.openxmlformats.org/wordprocessingml/2006/main".freeze

  def test_a_word_processor_document_by_its_headings
    xml = %(<w:document xmlns:w="#{WORD}"><w:body>#{paragraph("Before all.")}#{paragraph("The till", "Heading2")}#{paragraph("Count coins first.")}#{paragraph("Leave change.")}</w:body></w:document>)
    pieces = FilePieces.of(zip("word/document.xml" => xml), FilePieces::DOCX)
    assert_equal [ [ "", "Before all." ], [ "The till", "The till\nCount coins first.\nLeave change." ] ], pieces.map(&:to_a)
  end

  def test_an_open_document_by_its_headings
    xml = '<office:document-content xmlns:office="o" xmlns:text="t"><office:body><office:text><text:h>Stage</text:h><text:p>Lamp<text:s/>stays <text:span>on</text:span>.</text:p></office:text></office:body></office:document-content>'
    assert_equal [ [ "Stage", "Stage\nLamp stays on." ] ], FilePieces.of(zip("content.xml" => xml), FilePieces::ODT).map(&:to_a)
  end

  def test_text_by_its_lines_and_pages_by_their_numbers
    pieces = FilePieces.of(Array.new(90) { |i| "line #{i + 1}\n" }.join, "text/plain")
    assert_equal [ 1, 41, 81 ], pieces.map(&:place)
    assert_equal "line 81", pieces.last.text.lines.first.chomp
    assert_equal [ [ 1, "One" ], [ 3, "Three" ] ], FilePieces.pages([ "One", " \n ", "Three" ]).map(&:to_a)
  end

  def test_text_in_an_older_encoding
    assert_equal "Grüße", FilePieces.of("Gr\xFC\xDFe".b, "text/plain").first.text
  end

  def test_what_is_broken_or_hostile_gives_nothing
    [ "", "PK", "PK\x03\x04rubbish".b, zip("other.xml" => "x"), zip("word/document.xml" => "<w:p><"), "\x00\x01\x02".b ].each do |bytes|
      [ FilePieces::DOCX, FilePieces::ODT ].each { |type| assert_empty FilePieces.of(bytes, type), bytes[0, 20].inspect }
    end
    outside = %(<!DOCTYPE d [<!ENTITY e SYSTEM "file:///etc/hostname">]><w:document xmlns:w="#{WORD}"><w:p><w:t>&e;</w:t></w:p></w:document>)
    assert_empty FilePieces.of(zip("word/document.xml" => outside), FilePieces::DOCX)
    bomb = zip("word/document.xml" => "<a>#{" " * 12_000_000}</a>")
    assert_operator bomb.bytesize, :<, 100_000
    assert_empty FilePieces.of(bomb, FilePieces::DOCX)
  end

  def test_any_bytes_at_all
    random = Random.new(SEED)
    100.times do
      bytes = random.bytes(random.rand(200))
      FilePieces::TYPES.each { |type| FilePieces.of(bytes, type).each { |piece| assert piece.text.valid_encoding? && !piece.text.empty? } }
    end
  end

  private

  def paragraph(text, style = nil)
    "<w:p>#{"<w:pPr><w:pStyle w:val=\"#{style}\"/></w:pPr>" if style}<w:r><w:t>#{text}</w:t></w:r></w:p>"
  end

  def zip(files)
    Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string
  end
end
