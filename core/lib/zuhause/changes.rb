require "zuhause/changes/matching"
require "zuhause/changes/shared"
require "zuhause/changes/inline"
require "zuhause/changes/entry"
require "zuhause/changes/comparison"

module Zuhause
  # What changed between two documents.
  module Changes
    module_function

    # Gives the blocks of a text that was read without ids those of the document that it came from.
    #
    # @param old [Hash] a document in normal form, with ids
    # @param new [Hash] a document in normal form
    # @return [Hash] the new document, its blocks with the ids of the old ones that they were, as far as they were any
    def carry_ids(old, new)
      matching = Matching.new(old, new)
      carry = lambda do |node|
        id = node.dig("attrs", "id") || matching.old_of(node)&.dig("attrs", "id")
        result = id && node["type"] != "doc" ? { "type" => node["type"], "attrs" => { "id" => id }.merge(node["attrs"] || {}) }.merge(node.except("type", "attrs")) : node
        node["content"] ? result.merge("content" => node["content"].map(&carry)) : result
      end
      carry.call(new)
    end
  end
end
