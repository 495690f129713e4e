module Zuhause
  module Merging
    # Builds the outcome: block by block, paired by id whatever the type.
    class Joined
      attr_reader :base, :trees, :presence, :later

      # @param base [Side]
      # @param one [Side]
      # @param other [Side]
      def initialize(base, one, other)
        @was, @sides = base, [ one, other ].sort_by(&:key)
        @later = @sides[0].version.to_i > @sides[1].version.to_i ? 0 : 1
        @by = by
        @values = Values.new(@sides, @later)
        @base, *@trees = Reshaping.of(base.document, *@sides.map(&:document)).map { |document| Tree.new(document) }
        @presence = Presence.new(@base, @trees, @later)
        @budget = Changes::Budget.new
      end

      # @return [Outcome]
      def outcome
        title = @values.choose(@was.title, @sides.map(&:title), name: "title")
        document = whole(Fitting.of({ "type" => "doc", "content" => children(Tree::ROOT) }))
        document = Document.accept(document, random: Digested.new(@sides)).doc
        Outcome.new(document: document, title: title, others: @values.others.uniq)
      end

      # @param id [String]
      # @param all [Boolean] whether it is built although it would be gone, since its place is kept
      # @return [Hash, nil] the block with all that stands in it
      def build(id, all: false)
        return unless all || @presence.include?(id)

        node = own(id)
        return node if textblock?(node)

        node["type"] == "table" && trees.all? { |tree| tree.key?(id) } ? node.merge("content" => Grid.new(self, id).rows) : node.merge("content" => children(id))
      end

      # @return [Boolean] whether the block stands in the outcome, in that one
      def stands?(id, parent)
        @presence.include?(id) && @presence.parents[id] == parent
      end

      # @return [Hash] the block by itself, with other blocks in it
      def with_own(id, content)
        own(id).merge("content" => content)
      end

      # @return [Object] equal for new blocks that say the same, of which one does
      def new_key(id)
        trees.find { |tree| tree.key?(id) }.content_key(id)
      end

      # @return [String] an id that depends on nothing but what it is made of
      def derived(*parts)
        Joined.id_from(parts.join("/"))
      end

      def self.id_from(text)
        Digest::SHA256.digest(text).bytes.first(Document::Ids::LENGTH).map { |byte| Document::Ids::LETTERS[byte % Document::Ids::LETTERS.size] }.join
      end

      # New ids come from what both sides say, so that whoever joins the same gets the same.
      class Digested
        def initialize(sides)
          @seed, @number = sides.map(&:key).join, 0
        end

        def bytes(count)
          Digest::SHA256.digest("#{@seed}#{@number += 1}")[0, count]
        end
      end

      private

      # Whose words are whose; of one person who wrote in two places at once, the second are nobody's.
      def by
        one, other = @sides.map(&:by)
        [ one, (other unless other == one) ]
      end

      def children(parent)
        present = (children_of[parent] || []).to_set
        lists = [ base, *trees ].map { |tree| survivors(tree, parent, present) }
        Order.new(present, lists[0], lists.drop(1), later: later) { |id| new_key(id) }.merged.filter_map { |id| build(id) }
      end

      def children_of
        @children_of ||= @presence.parents.keys.group_by { |id| @presence.parents[id] }
      end

      # What stands there, and in place of what is gone what is left of that.
      def survivors(tree, parent, present)
        tree.children(parent).flat_map { |id| @presence.include?(id) ? [ id ] : survivors(tree, id, present) }.select { |id| present.include?(id) }
      end

      def own(id)
        there = trees.select { |tree| tree.key?(id) }
        return of_one(id, there.first) if there.one?

        was, is = base[id], trees.map { |tree| tree[id] }
        return joined_anew(id, is) unless was

        type = @values.choose(was["type"], is.map { |node| node["type"] }, id: id, name: "type")
        attrs = @values.attrs(was["attrs"] || {}, is.map { |node| node["attrs"] || {} }, id)
        typed(type, attrs, textblock?("type" => type) ? text(id, type, was, is) : nil)
      end

      # Both have a new block of one id: pasted from the same place, or the outcome of an earlier joining.
      def joined_anew(id, is)
        return is[0].except("content").merge(textblock?(is[0]) ? is[0].slice("content") : {}) if is[0].except("content") == is[1].except("content") && !textblock?(is[0])

        type = is[later]["type"]
        attrs = @values.attrs({}, is.map { |node| node["attrs"] || {} }, id)
        typed(type, attrs, textblock?("type" => type) ? text(id, type, { "content" => [] }, is) : nil)
      end

      def typed(type, attrs, content)
        known = Document::Schema::NODES.fetch(type).attrs
        { "type" => type, "attrs" => attrs.select { |name, value| known[name]&.allows?(value) }, "content" => content }.compact
      end

      def text(id, type, was, is)
        schema = Document::Schema::NODES.fetch(type)
        merged = Words.merge(*[ was, *is ].map { |node| inline(node) }, by: @by, later: later, budget: @budget)
        @values.tell(id, DOUBLE, Merging.doubles(merged)) if !schema.marks && Merging.doubles(merged).any?
        suited(schema, merged)
      end

      def inline(node)
        textblock?(node) ? node["content"] || [] : []
      end

      # A heading holds text alone, code bears no marks.
      def suited(schema, nodes)
        nodes = Markup::Fit.text(nodes) unless schema.content.names.include?("inline")
        schema.marks ? nodes : Changes::Inline.glue(nodes.map { |node| node.except("marks") })
      end

      # What one side has only: as it is, marked where the other had removed it. What bears no marks is told.
      def of_one(id, tree)
        node = tree.own(id)
        side = trees.index { |each| each.equal?(tree) }
        return node unless @presence.kept?(id) && @presence.own_changed?(id, side)

        schema = Document::Schema::NODES.fetch(node["type"])
        return node.merge("content" => (node["content"] || []).map { |inline| kept(inline, side) }) if schema.textblock? && schema.marks

        @values.tell(id, KEPT, nil, by: @sides[side].by) if schema.group == "block"
        node
      end

      def kept(node, side)
        return node if node["text"].nil? || node["marks"].to_a.any? { |mark| MARKS.include?(mark["type"]) }

        mark = { "type" => "kept", "attrs" => { "by" => @sides[side].by }.compact }.reject { |_name, value| value.empty? }
        node.merge("marks" => [ *node["marks"], mark ])
      end

      def textblock?(node)
        Document::Schema::NODES.fetch(node["type"] || "doc").textblock?
      end

      # What was to stand there and found no place (in a table whose cells span several) stands at the end.
      def whole(document)
        there = Document::Walk.blocks(document).to_h { |node| [ node.dig("attrs", "id"), node ] }
        left = @presence.ids.select { |id| !there.key?(id) && Document::Schema::NODES.fetch(trees.find { |tree| tree.key?(id) }[id]["type"]).group == "block" }.to_set
        lost = left.reject { |id| above(id).any? { |each| left.include?(each) } || trees.any? { |tree| tree.key?(id) && tree.inside(id).any? { |inner| there.key?(inner) } } }
        return document if lost.empty?

        keys = there.values.to_set { |node| JSON.generate(Document::Ids.strip(node)) }
        blocks = lost.sort.filter_map { |id| build(id) }.reject { |node| empty?(node) || keys.include?(JSON.generate(Document::Ids.strip(node))) }
        Fitting.of(document.merge("content" => document["content"] + blocks))
      end

      def empty?(node)
        textblock?(node) && !node.key?("content")
      end

      # @return [Enumerator<String>] what it is to stand in, and what that is to stand in
      def above(id)
        Enumerator.produce(@presence.parents[id]) { |each| @presence.parents[each] || raise(StopIteration) }
      end
    end
  end
end
