require "zuhause/document/node"

Dir[File.expand_path("nodes/*.rb", __dir__)].sort.each { |file| require file }

module Zuhause
  module Document
    module Schema
      NODES = Node.all.to_h { |type| [ type.name, type ] }.freeze
    end
  end
end
