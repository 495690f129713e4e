module Leaves
  class Cite < Leaf
    def needs(attrs)
      { sources: [ attrs["source"] ] }
    end

    private

    def told(attrs, document)
      level.know_sources
      document.citations.cite(attrs["source"], attrs["place"])
    end
  end
end
