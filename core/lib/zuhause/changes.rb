require "zuhause/changes/budget"
require "zuhause/changes/sequence"
require "zuhause/changes/matching"
require "zuhause/changes/shared"
require "zuhause/changes/inline"
require "zuhause/changes/entry"
require "zuhause/changes/comparison"
require "zuhause/changes/rematch"
require "zuhause/changes/marks"

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
      Rematch.ids(old, new)
    end
  end
end
