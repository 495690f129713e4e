module Leaves
  class Mention < Leaf
    def needs(attrs)
      { people: [ attrs["person"] ] }
    end

    private

    def told(attrs, _document)
      person = level.people[attrs["person"]]
      %(<span class="mention">#{escape(name_of(person) || t(person ? "mention.hidden" : "mention.gone"))}</span>)
    end
  end
end
