module Zuhause
  module Restructuring
    # One text that comes into another.
    class Join
      def initialize(into, from, title:, place:, once:, random:)
        @into, @from, @title, @place, @once, @random = into["content"], from["content"], title, place, once, random
        @ids = {}
      end

      # @return [Joined]
      def joined
        at = place
        coming = Restructuring.shift(headed(@once ? fresh : @from), depth)
        blocks = @into.dup.insert(at, *renamed(coming))
        Joined.new(document: Document.accept({ "type" => "doc", "content" => blocks }, random: @random).doc, ids: @ids)
      end

      private

      def place
        case @place
        when :after then @into.size
        when :before then 0
        else Restructuring.end_of_section(@into, heading_at)
        end
      end

      def heading_at
        @heading_at ||= @into.index { |block| block["type"] == "heading" && block.dig("attrs", "id") == @place } || raise(Impossible, "no such heading")
      end

      # Under a heading, one level below it.
      def depth
        PLACES.include?(@place) ? 0 : Restructuring.level_of(@into[heading_at])
      end

      # What the other text has in just the same words is led to there.
      def fresh
        there = @into.to_h { |block| [ said(block), block ] }
        @from.reject { |block| (same = there[said(block)]) && block["type"] != "divider" && note_same(block, same) }
      end

      def note_same(block, same)
        @ids.merge!(ids_in(block).zip(ids_in(same)).to_h)
      end

      def said(block)
        JSON.generate(Document::Ids.strip(block))
      end

      def headed(blocks)
        return blocks if blocks.empty? || @title.empty? || title?(blocks.first)

        lead = { "type" => "heading", "attrs" => { "level" => 1 }, "content" => [ { "type" => "text", "text" => @title } ] }
        [ lead, *Restructuring.shift(blocks, blocks.any? { |block| Restructuring.level_of(block) == 1 } ? 1 : 0) ]
      end

      def title?(block)
        block["type"] == "heading" && Document::Title.normalise(Document::Text.of(block)) == Document::Title.normalise(@title)
      end

      # Ids that both texts use are given anew.
      def renamed(blocks)
        taken = @into.flat_map { |block| ids_in(block) }.to_set
        Document::Walk.rebuild({ "type" => "doc", "content" => blocks }) do |node|
          id = node.dig("attrs", "id") or next node

          @ids[id] = taken.include?(id) ? Document::Ids.generate(random: @random) : id
          node.merge("attrs" => node["attrs"].merge("id" => @ids[id]))
        end["content"]
      end

      def ids_in(block)
        Document::Walk.blocks({ "type" => "doc", "content" => [ block ] }).map { |node| node.dig("attrs", "id") }
      end
    end
  end
end
