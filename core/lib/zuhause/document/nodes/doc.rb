module Zuhause
  module Document
    module Nodes
      class Doc < Node
        type "doc", "block+"
      end
    end
  end
end
