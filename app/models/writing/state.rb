# What a page says at one moment: its title and its text. Whatever saves or publishes takes one, wherever it comes from: the
# editor, the source, a file, another page, an earlier state.
class State
  attr_reader :title, :document

  # @return [String] see #identity
  def self.identity(title, digest)
    Text.digest_of("#{title}\n#{digest}")
  end

  # @param title [String] cleaned here
  # @param document [Object] parsed JSON; judged when it is saved
  # @param digest [String, nil] of the document, where it is known
  def initialize(title:, document:, digest: nil)
    @title = Zuhause::Document::Title.clean(title)
    @document = document
    @digest = digest
  end

  # @return [State] the same but for what is given
  def with(title: self.title, document: self.document)
    State.new(title: title, document: document, digest: (@digest if document == self.document))
  end

  # @return [String] by which its text is kept
  def digest
    @digest ||= Text.digest_of(json)
  end

  # @return [String] tells it from every other state, its title counted in
  def identity
    @identity ||= self.class.identity(title, digest)
  end

  # @return [String] its text as it is kept
  def body
    @body ||= Text.compress(json)
  end

  # @return [Array<Zuhause::Links::Reference>] what its text points to
  def points
    @points ||= Zuhause::Links.in(document)
  end

  # @return [Array<Zuhause::Document::Outline::Section>] that its text is found by
  def sections
    @sections ||= Zuhause::Document::Outline.sections(document)
  end

  # @return [Zuhause::Anchors::PageText] in which what is said to it is found again
  def page_text
    @page_text ||= Zuhause::Anchors::PageText.new(document)
  end

  # @return [Hash] its words by block, all from nobody in particular (Zuhause::Attribution)
  def written
    @written ||= Zuhause::Attribution.whole(document, source: nil)
  end

  # @return [Array<Hash>] the same as they are kept (Section)
  def section_rows
    @section_rows ||= Section.rows(sections)
  end

  # @return [Array<Array<String>>] of each of these the words, folded, each once
  def words_by_section
    @words_by_section ||= section_rows.map { |row| Zuhause::Finding::Folding.words("#{row[:heading]}\n#{row[:body].text}").uniq }
  end

  # @return [Array<Zuhause::Freshness::TextDates::Found>] days that its text names
  def days
    @days ||= Zuhause::Freshness::TextDates.in(document)
  end

  # Works out what is to be written, before a transaction begins: nobody waits for that then.
  def prepare
    tap { [ body, points, sections ] }
  end

  # The same of what is to be published.
  def prepare_edition
    prepare.tap { [ section_rows, words_by_section, days ] }
  end

  # @param other [State]
  # @return [Boolean] whether both say the same
  def same?(other)
    title == other.title && digest == other.digest
  end

  private

  def json
    @json ||= JSON.generate(document)
  end
end
