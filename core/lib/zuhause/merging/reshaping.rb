module Zuhause
  module Merging
    # What a side did to where one block of text ends and the next begins. A paragraph that it split, or two that it joined, are
    # split or joined in the other two documents as well before they are paired, so that what stands in either half meets its
    # own words.
    module Reshaping
      # +old+: the block that it was made from, as it stood.
      Split = Struct.new(:id, :new_id, :place, :old)
      Joining = Struct.new(:id, :gone)

      module_function

      # @param base [Hash]
      # @param sides [Array(Hash, Hash)]
      # @return [Array<Hash>] the base and both sides, reshaped alike
      def of(base, *sides)
        sides.each_index do |i|
          agreed(splits(base, sides[i], sides[1 - i]), splits(base, sides[1 - i], sides[i])).each { |split| base, sides[1 - i] = [ base, sides[1 - i] ].map { |doc| divided(doc, split) } }
          joinings(base, sides[i], sides[1 - i]).each { |joining| base, sides[1 - i] = [ base, sides[1 - i] ].map { |doc| united(doc, joining) } }
        end
        [ base, *sides ]
      end

      # Where both have split a block into the same two, and one of them has lost what stood there, the other's words tell where.
      def agreed(splits, others)
        places = others.to_h { |split| [ [ split.id, split.new_id, split.old ], split.place ] }
        splits.each { |split| split.place = [ split.place, places[[ split.id, split.new_id, split.old ]] ].compact.min }
      end

      # Blocks that follow one that ends earlier now, and hold most of what that ended with, or of what it ends with on the other side
      # (where both were joined before).
      def splits(base, side, other)
        was, is = texts(base), texts(other)
        pairs(side).filter_map do |block, following|
          id, new_id = [ block, following ].map { |node| node.dig("attrs", "id") }
          next if was[id].nil? || was.key?(new_id)

          [ was[id], (is[id] unless is.key?(new_id)) ].compact.uniq.filter_map { |old| split(old, block, following) }.first
        end
      end

      def split(old, block, following)
        return if old["content"] == block["content"]

        place = past(signs(old), signs(block))
        tail = signs(old).drop(place)
        Split.new(*[ block, following ].map { |node| node.dig("attrs", "id") }, place + common(tail, signs(following)).first.first, old) if mostly?(tail, signs(following))
      end

      # Blocks that are gone, and most of which the one before them ends with now; or most of what the other side has there.
      def joinings(base, side, other)
        was, is = texts(base), texts(side)
        [ base, other ].flat_map { |doc| pairs(doc) }.filter_map do |block, following|
          id, gone = [ block, following ].map { |node| node.dig("attrs", "id") }
          next if is[id].nil? || is.key?(gone) || !was.key?(gone)

          Joining.new(id, gone) if mostly?(signs(following), signs(is[id]).drop(past(signs(is[id]), signs(block))))
        end.uniq
      end

      # @return [Integer] the place in the first behind the last that it has in common with the second
      def past(one, other)
        common(one, other).last&.first&.succ || 0
      end

      def mostly?(tail, there)
        tail.any? && common(tail, there).size * 2 >= tail.size
      end

      def common(one, other)
        Changes::Sequence.common(one, other, Changes::Budget.new)
      end

      def divided(doc, split)
        return doc if texts(doc).key?(split.new_id)

        Document::Walk.rebuild(doc) do |node|
          next node unless node.dig("attrs", "id") == split.id && textblock?(node)

          halves(node, split).map.with_index { |content, i| i.zero? ? with(node, content) : with(node.merge("attrs" => (node["attrs"] || {}).merge("id" => split.new_id)), content) }
        end
      end

      # Where the block ends now is found by the old words that stand on either side.
      def halves(node, split)
        tokens, was = pieces(node), pieces(split.old)
        place = split.place
        known = Changes::Sequence.common(was.map { |token| Words.sign(token) }, tokens.map { |token| Words.sign(token) }, Changes::Budget.new).to_h
        at = (place...was.size).filter_map { |i| known[i] }.first || (place - 1).downto(0).filter_map { |i| known[i] }.first&.succ || tokens.size
        [ tokens.first(at), tokens.drop(at) ].map { |some| Changes::Inline.glue(some) }
      end

      def united(doc, joining)
        blocks = texts(doc)
        block, gone = blocks.values_at(joining.id, joining.gone)
        return doc unless block && gone

        between = pieces(block).any? && pieces(gone).any? && [ pieces(block).last, pieces(gone).first ].all? { |token| token["text"]&.match?(/[\p{L}\p{M}\p{N}]/) } ? [ { "type" => "text", "text" => " " } ] : []
        Document::Walk.rebuild(doc) do |node|
          case node.dig("attrs", "id")
          when joining.id then with(node, Changes::Inline.glue([ *block["content"], *between, *gone["content"] ]))
          when joining.gone then nil
          else node
          end
        end
      end

      def with(node, content)
        content.empty? ? node.except("content") : node.merge("content" => content)
      end

      def texts(doc)
        Document::Walk.blocks(doc).select { |node| textblock?(node) }.to_h { |node| [ node.dig("attrs", "id"), node ] }
      end

      # Blocks of text that stand beside each other.
      def pairs(doc)
        Document::Walk.each(doc).flat_map { |node, _ancestors| textblock?(node) ? [] : (node["content"] || []).each_cons(2).select { |pair| pair.all? { |each| textblock?(each) && each["type"] != "code_block" } } }
      end

      def textblock?(node)
        Document::Schema::NODES.fetch(node["type"]).textblock?
      end

      def pieces(node)
        Words.pieces(node["content"] || [])
      end

      def signs(node)
        pieces(node).map { |token| Words.sign(token) }
      end
      private_class_method :agreed, :splits, :split, :joinings, :past, :mostly?, :common, :divided, :halves, :united, :with, :texts, :pairs, :textblock?, :pieces, :signs
    end
  end
end
