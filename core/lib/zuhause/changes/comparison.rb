module Zuhause
  module Changes
    # What changed from one document to another, block by block, so that applying it to the old gives the new.
    class Comparison
      # @return [Entry] what became of the document as a whole; its children are what became of its blocks, in the
      #   order of the new document, removed ones where they stood
      attr_reader :root

      # @param old [Hash] a document in normal form
      # @param new [Hash] another
      def initialize(old, new)
        @budget = Budget.new
        @matching = Matching.new(old, new)
        @root = kept(old, new, moved: false)
        entries.each_with_index { |entry, i| entry.number = i }
      end

      # @return [Boolean] whether so much differs that some of it is told as removed and added whole
      def bounded?
        @budget.refused? || @matching.bounded?
      end

      # @return [Array<Entry>] all entries below the document, in reading order
      def entries
        @entries ||= [].tap { |list| root.children.each { |child| child.each { |entry| list << entry } } }
      end

      # @return [Array<Entry>] blocks that differ themselves; of what was added or removed whole, its outermost block
      def differences
        @differences ||= collect(root.children)
      end

      # @return [Hash{Array(Symbol, String)=>Integer}] how many blocks of which type were :changed, :moved, :added or
      #   :removed; blocks that moved together, in their order, count as one
      def summary
        runs = differences.chunk_while { |a, b| together?(a, b) }.map(&:first)
        runs.map { |entry| [ entry.moved ? :moved : entry.kind, entry.node["type"] ] }.tally
      end

      # @return [Hash] the new document, made from the old by applying the changes
      def apply
        build(root)
      end

      # Takes back one change and keeps all others.
      #
      # @param number [Integer] of an entry
      # @return [Hash] the new document but for that block, which is as it was in the old one
      # @raise [KeyError] if there is no such entry
      def put_back(number)
        entry = entries.fetch(number) { raise KeyError, "no change #{number}" }
        doc = build(root, entry) || Document.empty
        Document::Normal.form(doc).first
      end

      private

      def kept(old, new, moved:)
        attrs = changed_attrs(old, new)
        type = Document::Schema::NODES.fetch(new["type"])
        parts = Inline.compare(old["content"] || [], new["content"] || [], @budget) if type.textblock?
        children = children(old, new) unless type.textblock?
        entry = Entry.new(kind: :same, old: old, new: new, moved: moved, attrs: attrs, parts: parts, children: children)
        entry.kind = :changed if attrs.any? || parts&.any? { |part| part.kind != :same } || children&.any? { |child| child.kind != :same || child.moved }
        entry
      end

      def changed_attrs(old, new)
        one, other = (old["attrs"] || {}).except("id"), (new["attrs"] || {}).except("id")
        (one.keys | other.keys).reject { |name| one[name] == other[name] }.to_h { |name| [ name, [ one[name], other[name] ] ] }
      end

      def children(old, new)
        nodes = new["content"] || []
        in_place = in_place(old, nodes)
        entries = nodes.map do |node|
          was = @matching.old_of(node)
          was ? kept(was, node, moved: !in_place.include?(node.object_id)) : added(node)
        end
        put_removed(old, entries)
      end

      # The most children that kept their order: the longest increasing subsequence of their old places.
      def in_place(old, nodes)
        olds = nodes.filter_map { |node| (was = @matching.old_of(node)) && (place = @matching.old_place(was)) && place.parent.equal?(old) && [ place.index, node.object_id ] }
        Comparison.longest_increasing(olds.map(&:first)).map { |i| olds[i].last }.to_set
      end

      def added(node)
        textblock = Document::Schema::NODES.fetch(node["type"]).textblock?
        inside = (node["content"] || []).map { |child| (was = @matching.old_of(child)) ? kept(was, child, moved: true) : added(child) } unless textblock
        Entry.new(kind: :added, new: node, moved: false, children: inside)
      end

      def removed(node)
        textblock = Document::Schema::NODES.fetch(node["type"]).textblock?
        inside = (node["content"] || []).reject { |child| @matching.kept?(child) }.map { |child| removed(child) } unless textblock
        Entry.new(kind: :removed, old: node, moved: false, children: inside)
      end

      # Each removed block goes behind the one that it stood behind.
      def put_removed(old, entries)
        standing = entries.reject(&:moved).each_with_object({}.compare_by_identity) { |entry, found| found[entry.old] = entry if entry.old }
        behind = Hash.new { |followed, entry| followed[entry] = [] }.compare_by_identity
        before = nil
        (old["content"] || []).each do |node|
          if @matching.kept?(node) then before = standing.fetch(node, before)
          else behind[before] << removed(node)
          end
        end
        behind.fetch(nil, []) + entries.flat_map { |entry| [ entry, *behind.fetch(entry, []) ] }
      end

      def collect(entries)
        entries.flat_map do |entry|
          whole = %i[added removed].include?(entry.kind)
          inside = whole ? collect((entry.children || []).reject { |child| child.kind == entry.kind && !child.moved }) : collect(entry.children || [])
          entry.difference? ? [ entry, *inside ] : inside
        end
      end

      def together?(one, other)
        one.moved && other.moved && @matching.old_place(other.old).parent.equal?(@matching.old_place(one.old).parent) &&
          @matching.old_place(other.old).index == @matching.old_place(one.old).index + 1
      end

      # @param back [Entry, nil] the entry that is to be as it was
      def build(entry, back = nil)
        return restored(entry) if entry.equal?(back)
        return if entry.kind == :removed
        return entry.new if entry.kind == :added && entry.children.nil?

        content = entry.parts ? Inline.apply(entry.parts) : entry.children.filter_map { |child| build(child, back) }
        allowed = Document::Schema::NODES.fetch(entry.node["type"]).content
        return if content.size < allowed.min # what it held has been put back elsewhere

        content = joined(content, allowed.max) if allowed.max && content.size > allowed.max

        attrs = entry.kind == :added ? entry.new["attrs"] : attrs_after(entry)
        { "type" => entry.node["type"], "attrs" => attrs, "content" => content }.reject { |_key, value| value.nil? || value.empty? }
      end

      # One child too many, put back: what it holds goes to the last that may stay.
      def joined(children, most)
        *kept, last = children.first(most)
        [ *kept, last.merge("content" => [ last, *children.drop(most) ].flat_map { |child| child["content"] }) ]
      end

      def attrs_after(entry)
        given = (entry.old["attrs"] || {}).merge("id" => entry.new.dig("attrs", "id")).merge(entry.attrs.transform_values(&:last))
        Document::Schema::NODES.fetch(entry.node["type"]).attrs.keys.to_h { |name| [ name, given[name] ] }.compact
      end

      def restored(entry)
        return if entry.kind == :added
        return entry.old if entry.new.nil?

        attrs = { "id" => entry.new.dig("attrs", "id") }.compact.merge((entry.old["attrs"] || {}).except("id"))
        attrs.empty? ? entry.old.except("attrs") : { "type" => entry.old["type"], "attrs" => attrs }.merge(entry.old.except("type", "attrs"))
      end

      # @param values [Array<Integer>] each one once
      # @return [Array<Integer>] the places of a longest increasing subsequence (patience sorting, Fredman 1975)
      def self.longest_increasing(values)
        tops = []
        previous = []
        values.each_with_index do |value, i|
          pile = tops.bsearch_index { |top| values[top] > value } || tops.size
          previous[i] = pile.zero? ? nil : tops[pile - 1]
          tops[pile] = i
        end
        chain = []
        place = tops.last
        while place
          chain.unshift(place)
          place = previous[place]
        end
        chain
      end
    end
  end
end
