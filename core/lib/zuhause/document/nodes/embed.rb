module Zuhause
  module Document
    module Nodes
      # A file shown in place, or an address with what is said of it.
      class Embed < Node
        type "embed", group: "block", attrs: { "file" => Attr.matching(Schema::PUBLIC_ID), "address" => Attr.address, "title" => Attr.words(""), "text" => Attr.words("") }

        def sketch(_node, sketch, x, width)
          sketch.picture(x, width)
        end

        def targets(node)
          file, address = node.dig("attrs", "file"), Links::Target.parse(node.dig("attrs", "address").to_s)
          [ (file && [ Links::Target.new(:file, file), :file, "" ]), (address && [ address, :link, node.dig("attrs", "title").to_s ]) ].compact
        end
      end
    end
  end
end
