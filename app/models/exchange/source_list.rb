# Lists of cited works that are brought in. CSL JSON is read as it is, BibTeX by way of Pandoc.
module SourceList
  SECONDS = 10

  # @param text [String] BibTeX or CSL JSON
  # @return [Array<Zuhause::Exchange::Bibliography::Work>]
  # @raise [Zuhause::Exchange::Bibliography::Unreadable]
  def self.read(text)
    Zuhause::Exchange::Bibliography.read(text) { |bibtex| Pandoc.convert(bibtex, from: "biblatex", to: "csljson", seconds: SECONDS) }
  rescue Pandoc::Failed
    raise Zuhause::Exchange::Bibliography::Unreadable
  end
end
