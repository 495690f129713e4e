module Zuhause
  module Document
    # Ids of blocks: eight characters of a–z and 0–9, unique within the page.
    module Ids
      LETTERS = [ *"a".."z", *"0".."9" ].freeze
      LENGTH = 8
      PUBLIC_LENGTH = 10 # of the ids of pages, files and people, which addresses bear

      module_function

      # @param random [Random, #bytes]
      # @return [String] a new id
      def generate(random: Random)
        # 252 is the largest multiple of 36 in a byte: larger ones are skipped so that all letters are equally likely.
        letters = +""
        letters << random.bytes(12).bytes.select { |b| b < 252 }.map { |b| LETTERS[b % 36] }.join while letters.size < LENGTH
        letters[0, LENGTH]
      end

      # Gives an id to each block that has none, and a new one to each that bears an id met before.
      #
      # @param doc [Hash] a tree in normal form
      # @return [Array(Hash, Hash{Integer=>String})] the mended tree, and the new ids by the block's place in
      #   document order, counted from 0
      def mend(doc, random: Random)
        taken = Walk.blocks(doc).filter_map { |node| node.dig("attrs", "id") }.to_set
        seen = Set.new
        new_ids = {}
        place = -1
        fix = lambda do |node|
          return node unless Schema::NODES.fetch(node["type"]).block? || node["type"] == "doc"

          node = with_id(node, seen, taken, random) { |id| new_ids[place] = id } if node["type"] != "doc" && (place += 1)
          content = node["content"]
          content ? node.merge("content" => content.map(&fix)) : node
        end
        [ fix.call(doc), new_ids ]
      end

      # @return [Hash] the tree without any ids, as a copy that is to get its own
      def strip(doc)
        Walk.rebuild(doc) do |node|
          attrs = node["attrs"]&.except("id")
          attrs.nil? || attrs.empty? ? node.except("attrs") : node.merge("attrs" => attrs)
        end
      end

      # Gives every block a new id, as a copy needs.
      #
      # @param doc [Hash] a tree in normal form, every block with an id
      # @return [Array(Hash, Hash{String=>String})] the tree, and the new ids by the old ones
      def renew(doc, random: Random)
        old = Walk.blocks(doc).map { |node| node.dig("attrs", "id") }
        renewed, new_ids = mend(strip(doc), random: random)
        [ renewed, new_ids.to_h { |place, id| [ old[place], id ] }.compact ]
      end

      def with_id(node, seen, taken, random)
        id = node.dig("attrs", "id")
        return node if id && seen.add?(id)

        id = generate(random: random)
        id = generate(random: random) until taken.add?(id)
        seen << id
        yield id
        rest = { "type" => node["type"], "attrs" => { "id" => id }.merge((node["attrs"] || {}).except("id")) }
        rest.merge(node.except("type", "attrs"))
      end
      private_class_method :with_id
    end
  end
end
