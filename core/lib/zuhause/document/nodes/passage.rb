module Zuhause
  module Document
    module Nodes
      class Passage < Node
        type "passage", "block+", group: "block", attrs: { "name" => Attr.words("") }
      end
    end
  end
end
