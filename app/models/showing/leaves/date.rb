module Leaves
  class Date < Leaf
    private

    def told(attrs, _document)
      attrs["date"] ? %(<time class="date" datetime="#{attrs["date"]}">#{escape(day(attrs["date"]))}</time>) : ""
    end
  end
end
