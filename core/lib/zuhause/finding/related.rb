module Zuhause
  module Finding
    # How closely pages belong to a page: by links between them, by pages that both link to (bibliographic coupling: Kessler, "Bibliographic
    # coupling between scientific papers", 1963), by pages that link to both (co-citation: Small, "Co-citation in the scientific
    # literature", 1973), by tags that few pages carry, by their words, and by rare words that both have (weighted by how few
    # sections have them: Spärck Jones, "A statistical interpretation of term specificity", 1972).
    class Related
      # +links_to+, +linked_from+: pages; +tags+; +words+: how well it answers the other page's title, +rare+: what part of the other
      # page's rare words it has, both from 0 to 1.
      Facts = Struct.new(:id, :links_to, :linked_from, :tags, :words, :rare, keyword_init: true)
      # +parts+: what each measure gives, by name, the largest first.
      Score = Struct.new(:id, :total, :parts, keyword_init: true)

      # What each measure counts. A link says that somebody found them to belong together; the others only make it likely.
      WEIGHTS = { linked: 1.0, coupled: 0.8, cited_together: 0.8, tagged: 0.5, words: 0.6, rare: 0.6 }.freeze
      LEAST = 0.12 # in all

      # @param page [Facts]
      # @param carrying [Hash{Object=>Integer}] of each tag, how many pages carry it that the asker sees
      def initialize(page, carrying: {})
        @page, @carrying = page, carrying
      end

      # @param others [Array<Facts>]
      # @return [Array<Score>] best first; none that has next to nothing in common
      def ranked(others)
        others.reject { |other| other.id == @page.id }.map { |other| score(other) }.select { |score| score.total >= LEAST }.sort_by { |score| [ -score.total, score.id.to_s ] }
      end

      # @param other [Facts]
      # @return [Score]
      def score(other)
        parts = { linked: linked(other), coupled: overlap(@page.links_to, other.links_to), cited_together: overlap(@page.linked_from, other.linked_from), tagged: tagged(other), words: other.words.to_f, rare: other.rare.to_f }
        parts = parts.to_h { |name, part| [ name, part * WEIGHTS.fetch(name) ] }.select { |_name, part| part.positive? }.sort_by { |_name, part| -part }.to_h
        Score.new(id: other.id, total: parts.values.sum, parts: parts)
      end

      private

      # Once in one direction, and half as much again in both.
      def linked(other)
        directions = [ @page.links_to, @page.linked_from ].count { |ids| ids.include?(other.id) }
        directions.zero? ? 0.0 : 0.5 + (directions * 0.25)
      end

      # @return [Float] the part of all that both have (Salton's cosine); one alone in common may be chance
      def overlap(some, others)
        both = (some & others).size
        both.zero? ? 0.0 : both / Math.sqrt(some.size * others.size) * both / (both + 1)
      end

      # A tag that everything carries says nothing.
      def tagged(other)
        shared = (@page.tags & other.tags).sum { |tag| 1.0 / Math.log2(1 + [ @carrying.fetch(tag, 1), 1 ].max) }
        shared / (1 + shared)
      end
    end
  end
end
