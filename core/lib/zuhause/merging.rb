require "digest"
require "zuhause/merging/side"
require "zuhause/merging/order"
require "zuhause/merging/holding"
require "zuhause/merging/words"
require "zuhause/merging/reshaping"
require "zuhause/merging/tree"
require "zuhause/merging/values"
require "zuhause/merging/presence"
require "zuhause/merging/grid"
require "zuhause/merging/fitting"
require "zuhause/merging/joined"
require "zuhause/merging/taking"

module Zuhause
  # Two texts that were written from the same one, joined into one that holds what either of them says (three-way merge).
  # docs/merging.md tells how.
  module Merging
    # What came of it: +document+ in normal form, +title+, and +others+.
    Outcome = Struct.new(:document, :title, :others, keyword_init: true)
    # What is to be settled and cannot be marked in the text. +name+ tells what it is: a value of which one only can hold and
    # which gave way to a later one (TITLE, TYPE or an attribute), with its +value+; DOUBLE, different words in code, with
    # the +value+ of {doubles}; or KEPT, a block that one changed and the other removed. +id+ is the block's (nil for the
    # title), +by+ the public id of whose it is.
    Other = Struct.new(:id, :name, :value, :by)
    TITLE, TYPE, DOUBLE, KEPT = "title", "type", "double", "kept"

    # Marks that say that something is to be settled; nothing is published before.
    MARKS = [ DOUBLE, KEPT ].freeze

    module_function

    # @param base [Side] what both were written from
    # @param one [Side]
    # @param other [Side]; which of the two is called which makes no difference
    # @return [Outcome]
    def merge(base, one, other)
      return as_it_is(other) if one.same?(base) || one.same?(other)
      return as_it_is(one) if other.same?(base)

      Joined.new(base, one, other).outcome
    end

    # @param document [Hash]
    # @return [Integer] stretches of text that are still to be settled
    def open_in(document)
      Document::Walk.each(document).sum do |node, _ancestors|
        before = nil
        (node["content"] || []).count do |child|
          same, before = before, open(child)
          before && before != same
        end
      end
    end

    # @param inline [Array<Hash>] the text of one block
    # @return [Array<Array(String, String)>] the words of each double in it, with whose they are (a public id or nil)
    def doubles(inline)
      marked = inline.filter_map { |node| mark = node["marks"].to_a.find { |each| each["type"] == DOUBLE } and [ mark.dig("attrs", "by"), node["text"] ] }
      marked.chunk_while { |a, b| a.first == b.first }.map { |run| [ run.first.first, run.sum("") { |_by, text| text } ] }
    end

    # @param document [Hash]
    # @param other [Other] but for TITLE
    # @return [Hash] the document in which it holds: the value put in, or what was kept taken out
    # @raise [Document::Invalid] if it does not fit any more
    def take(document, other)
      Taking.new(document, other).document
    end

    # @param document [Hash]
    # @param title [String]
    # @param other [Other]
    # @return [Boolean] whether there is something to be settled still: its block stands there and does not hold the value
    def open?(document, title, other)
      return title != other.value if other.name == TITLE

      block = Document::Walk.blocks(document).find { |node| node.dig("attrs", "id") == other.id }
      return !block.nil? if block.nil? || MARKS.include?(other.name)

      other.name == TYPE ? block["type"] != other.value : Document::Schema::NODES.fetch(block["type"]).attrs.key?(other.name) && block.dig("attrs", other.name) != other.value
    end

    def as_it_is(side)
      Outcome.new(document: side.document, title: side.title, others: [])
    end
    private_class_method :as_it_is

    def open(node)
      node["marks"].to_a.map { |mark| mark["type"] }.find { |type| MARKS.include?(type) }
    end
    private_class_method :open
  end
end
