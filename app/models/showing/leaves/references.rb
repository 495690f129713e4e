module Leaves
  # Filled in when all that is cited is known; what is shown in another page cites there.
  class References < Leaf
    private

    def told(attrs, document)
      document.within.size == 1 ? "#{ShownDocument::REFERENCES}#{attrs["columns"] || 1}-->" : ""
    end
  end
end
