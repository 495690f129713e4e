# What came with a paste, read in the form that tells most: a table of a spreadsheet, HTML, or text as Markdown.
class Pasted
  # @param text [String]
  # @param html [String, nil]
  # @param grid [String, nil] rows of a CSV file, in place of both
  def initialize(text:, html: nil, grid: nil)
    @text = text
    @html = html
    @grid = grid
  end

  # @return [Zuhause::Markup::MarkdownReader::Read]
  def read
    return from_html if styled?

    grid = @grid ? Zuhause::Markup::Grid.read(@grid) : Zuhause::Markup::Grid.pasted(@text)
    grid ? read_of(grid) : Zuhause::Markup::MarkdownReader.read(Zuhause::Markup::Bullets.to_markdown(@text))
  end

  private

  def read_of(block)
    Zuhause::Markup::MarkdownReader::Read.new(doc: Zuhause::Document::Normal.form({ "type" => "doc", "content" => [ block ] }).first, reports: [])
  end

  def from_html
    @from_html ||= Zuhause::Markup::HTMLReader.read(@html)
  end

  # Programs that hold plain text give HTML of nothing but lines: their text is meant.
  def styled?
    @html && Zuhause::Document::Walk.each(from_html.doc).any? { |node, _ancestors| %w[doc paragraph text hard_break].exclude?(node["type"]) || node["marks"] }
  end
end
