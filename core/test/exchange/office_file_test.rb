require "test_helper"
require "zip"

class OfficeFileTest < Minitest::Test
  OfficeFile = Zuhause::Exchange::OfficeFile
  W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main".freeze
  MC = "http://schemas.openxmlformats.org/markup-compatibility/2006".freeze

  def test_what_stands_in_a_text_box_comes_after_its_paragraph_and_once
    boxed = %(<mc:AlternateContent><mc:Choice><w:drawing><w:txbxContent>#{paragraph("in the box")}#{paragraph("and more")}</w:txbxContent></w:drawing></mc:Choice>
      <mc:Fallback><w:pict><w:txbxContent>#{paragraph("in the box")}</w:txbxContent></w:pict></mc:Fallback></mc:AlternateContent>)
    assert_equal [ "before", "in the box", "and more", "after" ], texts(docx("<w:p><w:r><w:t>before</w:t>#{boxed}</w:r></w:p>#{paragraph("after")}"))
  end

  def test_boxes_within_boxes_and_several_of_one_paragraph_keep_their_order
    inner = "<w:p><w:r><w:t>outer</w:t>#{box(paragraph("inner"))}</w:r></w:p>"
    assert_equal %w[before outer inner second after], texts(docx("<w:p><w:r><w:t>before</w:t>#{box(inner)}#{box(paragraph("second"))}</w:r></w:p>#{paragraph("after")}"))
  end

  def test_no_word_is_lost_or_doubled_wherever_boxes_hang
    random = Random.new(7)
    40.times do
      words = (1..30).map { |i| "word#{i}" }
      body = words.each_slice(1 + random.rand(4)).map { |few| "<w:p><w:r>#{few.map.with_index { |word, i| i.zero? || random.rand(2).zero? ? "<w:t>#{word} </w:t>" : box(paragraph(word)) }.join}</w:r></w:p>" }.join
      assert_equal words.sort, texts(docx(body)).join(" ").split.sort
    end
  end

  def test_open_documents_have_boxes_too_and_captions_stay
    body = %(<text:p>before<draw:frame><draw:text-box><text:p>in the box</text:p></draw:text-box></draw:frame></text:p>
      <text:p><draw:frame><draw:text-box><text:p><draw:image/>caption</text:p></draw:text-box></draw:frame></text:p>)
    content = part(OfficeFile.new(odt(body)).bytes, "content.xml")
    assert_match(%r{before<draw:frame/></text:p><text:p>in the box</text:p>}, content)
    assert_match(%r{<draw:text-box><text:p><draw:image/>caption}, content)
  end

  def test_the_strict_form_becomes_the_usual_one
    strict = W.sub("schemas.openxmlformats.org/wordprocessingml/2006", "purl.oclc.org/ooxml/wordprocessingml")
    file = OfficeFile.new(zip("word/document.xml" => %(<w:document xmlns:w="#{strict}" w:conformance="strict"><w:body>#{paragraph("said")}</w:body></w:document>),
                              "_rels/.rels" => %(<Relationships><Relationship Type="http://purl.oclc.org/ooxml/officeDocument/relationships/officeDocument" Target="word/document.xml"/></Relationships>)))
    assert_equal %(<w:document xmlns:w="#{W}"><w:body>#{paragraph("said")}</w:body></w:document>), part(file.bytes, "word/document.xml")
    assert_includes part(file.bytes, "_rels/.rels"), "schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument"
  end

  def test_what_is_lost_is_told
    file = OfficeFile.new(docx(paragraph("said"), "word/comments.xml" => root("comments", "<w:comment>#{paragraph("Is that so?")}</w:comment>"), "word/header1.xml" => root("hdr", paragraph("Ternholm Ferries")),
                                                  "word/footer1.xml" => root("ftr", paragraph("2")), "word/charts/chart1.xml" => "<c/>",
                                                  "word/_rels/document.xml.rels" => %(<Relationships><Relationship Type="http://x/image" TargetMode="External" Target="http://a.example/b.png"/></Relationships>)))
    assert_equal [ [ :comment, "Is that so?" ], [ :drawing, "word/charts/chart1.xml" ], [ :picture, "http://a.example/b.png" ], [ :sheet, "Ternholm Ferries" ] ], file.reports.map { |one| [ one.code, one.detail ] }.sort
  end

  def test_comments_and_sheets_of_open_documents
    file = OfficeFile.new(odt("<text:p>said<office:annotation><dc:creator>Nils</dc:creator><text:p>Is that so?</text:p></office:annotation></text:p>", "styles.xml" => "<s xmlns:style='s' xmlns:text='t'><style:header><text:p>Ternholm Ferries</text:p></style:header></s>"))
    assert_equal [ [ :comment, "Is that so?" ], [ :sheet, "Ternholm Ferries" ] ], file.reports.map { |one| [ one.code, one.detail ] }
  end

  def test_what_says_what_a_picture_shows_is_marked_whatever_its_style_is_called
    styles = %(<w:styles xmlns:w="#{W}"><w:style w:type="paragraph" w:styleId="Beschriftung"><w:name w:val="caption"/></w:style><w:style w:type="paragraph" w:styleId="Text"><w:name w:val="Body Text"/></w:style></w:styles>)
    body = %w[Beschriftung Text Beschriftung].map { |style| %(<w:p><w:pPr><w:pStyle w:val="#{style}"/></w:pPr><w:r><w:t>said</w:t></w:r></w:p>) }.join
    sign = Zuhause::Markup::OfficeCaptions::SIGN
    assert_equal [ "#{sign}said", "said", "#{sign}said" ], texts(docx(body, "word/styles.xml" => styles))
  end

  def test_pictures_beside_what_is_marked_stay
    styles = %(<w:styles xmlns:w="#{W}"><w:style w:styleId="Caption"><w:name w:val="caption"/></w:style></w:styles>)
    drawn = %(<w:p><w:r><mc:AlternateContent><mc:Choice><w:drawing/></mc:Choice><mc:Fallback><w:pict/></mc:Fallback></mc:AlternateContent></w:r></w:p>)
    assert_includes part(OfficeFile.new(docx(%(#{drawn}<w:p><w:pPr><w:pStyle w:val="Caption"/></w:pPr></w:p>), "word/styles.xml" => styles)).bytes, "word/document.xml"), "<w:pict/>"
  end

  def test_what_needs_no_change_stays_as_it_is
    plain = docx(paragraph("said"))
    assert_same plain, OfficeFile.new(plain).bytes
    assert_nil OfficeFile.new(zip("a.txt" => "said")).form
    assert_raises(Zip::Error) { OfficeFile.new("no such file") }
  end

  private

  def paragraph(text)
    "<w:p><w:r><w:t>#{text}</w:t></w:r></w:p>"
  end

  def box(inside)
    "<w:pict><w:txbxContent>#{inside}</w:txbxContent></w:pict>"
  end

  def root(name, inside)
    %(<w:#{name} xmlns:w="#{W}" xmlns:mc="#{MC}">#{inside}</w:#{name}>)
  end

  def docx(body, more = {})
    zip({ "word/document.xml" => root("document", "<w:body>#{body}</w:body>") }.merge(more))
  end

  def odt(body, more = {})
    namespaces = %w[office text draw dc].map { |name| %(xmlns:#{name}="#{name}") }.join(" ")
    zip({ "content.xml" => "<office:document-content #{namespaces}>#{body}</office:document-content>" }.merge(more))
  end

  def zip(parts)
    Zip::OutputStream.write_buffer { |out| parts.each { |name, text| out.put_next_entry(name) && out.write(text) } }.string
  end

  def part(bytes, name)
    Zip::File.open_buffer(StringIO.new(bytes)).find_entry(name).get_input_stream.read.sub(/\A<\?xml[^>]*>\s*/, "").strip
  end

  def texts(bytes)
    Nokogiri::XML(part(OfficeFile.new(bytes).bytes, "word/document.xml")).xpath("//w:p[not(ancestor::w:txbxContent)]", "w" => W).map { |one| one.xpath("./w:r/w:t", "w" => W).text }.reject(&:empty?)
  end
end
