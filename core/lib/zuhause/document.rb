require "zuhause/document/attr"
require "zuhause/document/content"
require "zuhause/document/schema"
require "zuhause/document/nodes"
require "zuhause/document/walk"
require "zuhause/document/text"
require "zuhause/document/limits"
require "zuhause/document/table"
require "zuhause/document/check"
require "zuhause/document/normal"
require "zuhause/document/ids"
require "zuhause/document/outline"
require "zuhause/document/title"
require "zuhause/document/description"

module Zuhause
  # A page's text: a tree of nodes, held as plain hashes with string keys, the same in the database, in the
  # editor and here. A node is +{ "type", "attrs", "content" | "text", "marks" }+.
  module Document
    # What {accept} answers: the tree to store, the new ids of blocks that had none or another block's
    # (+{ place of the block in document order (Integer) => id (String) }+), and the links that became text.
    Accepted = Struct.new(:doc, :new_ids, :dropped_targets, keyword_init: true)

    # Raised for a tree that does not fit the schema. +problems+ is an Array of {Check::Problem}.
    class Invalid < StandardError
      attr_reader :problems

      def initialize(problems)
        @problems = problems
        super(problems.map(&:to_s).join("; "))
      end
    end

    module_function

    # @return [Hash] the smallest document: one empty paragraph, without an id
    def empty
      { "type" => "doc", "content" => [ { "type" => "paragraph" } ] }
    end

    # Takes a tree from outside (an editor, a file) to the one that may be stored: checked, in normal form,
    # every block with an id of its own.
    #
    # @param tree [Object] parsed JSON, anything at all
    # @param random [Random, #bytes] where new ids come from
    # @return [Accepted]
    # @raise [Invalid] naming each node that does not fit
    def accept(tree, random: Random)
      problems = Check.problems(tree)
      raise Invalid, problems if problems.any?

      doc, dropped = Normal.form(tree)
      doc, new_ids = Ids.mend(doc, random: random)
      Accepted.new(doc: doc, new_ids: new_ids, dropped_targets: dropped)
    end
  end
end
