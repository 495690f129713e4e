require "digest"
require "zuhause/merging/side"
require "zuhause/merging/order"
require "zuhause/merging/words"
require "zuhause/merging/reshaping"
require "zuhause/merging/tree"
require "zuhause/merging/values"
require "zuhause/merging/presence"
require "zuhause/merging/grid"
require "zuhause/merging/fitting"
require "zuhause/merging/joined"

module Zuhause
  # Two texts that were written from the same one, joined into one that holds what either of them says (three-way merge).
  # docs/merging.md tells how.
  module Merging
    # What came of it: +document+ in normal form, +title+, and +others+, the values that gave way to a later one (each with
    # +id+ of its block, +name+ and +value+).
    Outcome = Struct.new(:document, :title, :others, keyword_init: true)
    # A value of which only one can hold, and which gave way.
    Other = Struct.new(:id, :name, :value, :by)

    # Marks that say that something is to be settled.
    MARKS = %w[double kept].freeze

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
        (node["content"] || []).map { |child| open(child) }.chunk_while { |a, b| a == b }.count(&:first)
      end
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
