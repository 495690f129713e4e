module Zuhause
  module Changes
    # Where in the new document the differences of a comparison stand, for whoever reads it and knew the old one: block by block, and
    # within a line by word.
    module Marks
      # +act+: :added, :changed, :moved or :removed; +block+: the id of the block it stands on, or behind, for what was removed (nil
      # where it stood before everything); +continued+: whether it is new and so is what stands right before it; +words+: places and lengths, in the text of the block, of words that are new or look
      # otherwise; +difference+: kinds and words of the whole line, or, for what was removed, its text.
      Mark = Struct.new(:act, :block, :continued, :words, :difference, keyword_init: true)

      LONGEST = 600 # characters of a difference that are told; of a longer line, what was taken out

      module_function

      # @param comparison [Comparison]
      # @return [Array<Mark>] in reading order
      def of(comparison)
        differing = comparison.differences.each_with_object({}.compare_by_identity) { |entry, found| found[entry] = true }
        [].tap { |marks| walk(comparison.root.children, nil, differing, marks) }
      end

      # @param behind [String, nil] the id of the last block that stands before
      # @return [String, nil] the same, after them
      def walk(entries, behind, differing, marks)
        last = nil
        entries.reduce(behind) do |before, entry|
          id = entry.new && entry.new.dig("attrs", "id")
          marks << mark(entry, id || before, continued: entry.kind == :added && last == :added) if differing[entry]
          last = entry.kind
          inside = walk(entry.children || [], id || before, differing, marks) if entry.kind != :removed
          id || inside || before
        end
      end
      private_class_method :walk

      def mark(entry, block, continued:)
        case entry.kind
        when :added then Mark.new(act: :added, block: block, continued: continued, words: [], difference: [])
        when :removed then Mark.new(act: :removed, block: block, continued: false, words: [], difference: [ [ :removed, Document::Text.of(entry.old)[0, LONGEST] ] ])
        else Mark.new(act: entry.moved ? :moved : :changed, block: block, continued: false, words: words(entry), difference: difference(entry))
        end
      end
      private_class_method :mark

      def words(entry)
        from = 0
        (entry.parts || []).filter_map do |part|
          next if part.kind == :removed

          length = text(part.new).length
          place = [ from, length ] if part.kind != :same && length.positive?
          from += length
          place
        end
      end
      private_class_method :words

      # What only looks otherwise is no other word.
      def difference(entry)
        told = (entry.parts || []).map { |part| [ part.kind == :formatted ? :same : part.kind, text(part.new || part.old) ] }.reject { |_kind, words| words.empty? }
        return [] if told.all? { |kind, _words| kind == :same }

        told.sum { |_kind, words| words.length } > LONGEST ? told.select { |kind, _words| kind == :removed }.map { |kind, words| [ kind, words[0, LONGEST] ] } : told
      end
      private_class_method :difference

      # As places in a line are counted: what stands in it, in one line.
      def text(nodes)
        nodes.map { |node| Document::Schema::NODES.fetch(node["type"]).then { |type| type.apart? ? "" : type.text(node) } }.join.tr("\n", " ")
      end
      private_class_method :text
    end
  end
end
