module Zuhause
  module Links
    # Where names of pages stand in a text without a link: whole words, whatever their case, accents and hyphens and whether they are
    # in the plural (Promised), of names that are common words, or short, only as they are written. Code, headings and links are
    # left out. Names are walked word by word in a tree of all of them (after Aho and Corasick, "Efficient string matching", 1975,
    # over words: names are short, so that where one breaks off the next word is begun with anew).
    class Names
      # A name, and what bears it.
      Name = Struct.new(:text, :id)
      # Where it stands: +start+ and +length+ in the text of the block.
      Place = Struct.new(:block, :start, :length, :id)

      SHORT = 4 # letters; shorter ones are meant only as they are written
      WORD = /[\p{L}\p{N}]+(?:['’][\p{L}\p{N}]+)*/
      BETWEEN = /\A[[:space:]]*[-‐‑–]?[[:space:]]*\z/
      LEFT_OUT = %w[heading code_block].freeze
      MARKS = %w[link code].freeze
      private_constant :WORD, :BETWEEN, :LEFT_OUT, :MARKS

      Known = Struct.new(:name, :between, :exact)

      # A stretch of text, its words, and where each begins.
      Run = Struct.new(:text, :words, :starts) do
        def end_of(index)
          starts[index] + words[index].length
        end
      end
      private_constant :Known, :Run

      # @param text [String]
      # @param language [String, nil] by whose rules
      # @return [Array<String>] keys of its words
      def self.keys(text, language = nil)
        text.scan(WORD).map { |word| Promised.key(word, language) }
      end

      # What a word begins with in whatever form a text has it, by the rules of any language: an index of words can be asked by that.
      #
      # @param text [String] a name
      # @return [Array<String>] of its words, folded; of those that stand in any text only if it has no others
      def self.beginnings(text)
        words = text.scan(WORD)
        telling = words.reject { |word| Finding::CommonWords.function?(Finding::Folding.fold(word)) }
        (telling.empty? ? words : telling).map { |word| beginning(Finding::Folding.fold(word[/\A[^'’]+/])) }
      end

      def self.beginning(word)
        keys = Promised.keys(word).values
        alike = keys.map { |key| key.chars.zip(word.chars).take_while { |one, other| one == other }.size }.min
        word[0, [ alike - (keys.any? { |key| key.end_with?("y") } ? 1 : 0), 1 ].max]
      end
      private_class_method :beginning

      # @param text [String] a name
      # @return [Boolean] whether it is meant only as it is written
      def self.exact?(text)
        words = text.scan(WORD)
        text.scan(/[\p{L}\p{N}]/).size < SHORT || words.all? { |word| Finding::CommonWords.part(Finding::Folding.fold(word)).positive? }
      end

      # Of places that stand in each other those that count: none that begins in another, or with a longer one.
      #
      # @param places [Array<Place>] of one text
      # @return [Array<Place>] in their order
      def self.outermost(places)
        places.group_by(&:block).values.flat_map do |there|
          there.reject { |place| there.any? { |other| covers?(other, place) } }.sort_by { |place| [ place.start, place.id.to_s ] }
        end
      end

      def self.covers?(one, other)
        one.start < other.start ? one.start + one.length > other.start : one.start == other.start && one.length > other.length
      end
      private_class_method :covers?

      # @param names [Enumerable<Name>]
      # @param language [String, nil] of the texts
      def initialize(names, language = nil)
        @keys = Hash.new { |keys, word| keys[word] = Promised.key(word, language) }
        @tree, @words = {}, {}
        names.each { |name| put(name) }
        @beginnings = Hash.new { |known, word| known[word] = @tree[@keys[word]] }
      end

      # Knows the names of something no more.
      #
      # @param id [Object] of names
      def forget(id)
        @words.delete(id).to_a.each { |words| prune(@tree, words, id) }
      end

      # @param document [Hash]
      # @return [Array<Place>] all, those within others too
      def places(document)
        blocks_of(document).flat_map { |block| in_block(block) }
      end

      # @param document [Hash]
      # @return [Array<String>] keys of all words in it that names could stand on
      def words(document)
        blocks_of(document).flat_map { |block| runs(block).flat_map { |text, _from| text.scan(WORD) } }.uniq.map { |word| @keys[word] }.uniq
      end

      private

      def put(name)
        words = name.text.scan(WORD)
        return if words.empty?

        node = words.reduce(@tree) { |tree, word| tree[@keys[word]] ||= {} }
        (@words[name.id] ||= []) << words.map { |word| @keys[word] }
        (node[nil] ||= []) << Known.new(name, between(name.text), self.class.exact?(name.text))
      end

      def prune(tree, keys, id)
        key, *rest = keys
        if key
          prune(tree[key], rest, id) if tree[key]
          tree.delete(key) if tree[key]&.empty?
        elsif tree[nil]
          tree[nil].reject! { |known| known.name.id == id }
          tree.delete(nil) if tree[nil].empty?
        end
      end

      # What stands between the words.
      def between(text)
        text.split(WORD, -1)[1..-2].to_a.map(&:strip)
      end

      def blocks_of(document)
        Document::Walk.blocks(document).select { |block| Document::Schema::NODES.fetch(block["type"]).textblock? && !LEFT_OUT.include?(block["type"]) }
      end

      # @return [Array<Array(String, Integer)>] stretches of its text in which names can stand, each with where it begins
      def runs(block)
        from = 0
        found = []
        open = false
        (block["content"] || []).each do |node|
          type = Document::Schema::NODES.fetch(node["type"])
          next if type.apart?

          text = type.text(node)
          plain = node["type"] == "text" && (node["marks"] || []).none? { |mark| MARKS.include?(mark["type"]) }
          if plain then open ? found.last[0] += text : found << [ +text, from ]
          end
          open = plain
          from += text.length
        end
        found
      end

      def in_block(block)
        id = block.dig("attrs", "id")
        runs(block).flat_map { |text, from| in_run(text).map { |start, length, name| Place.new(id, from + start, length, name) } }
      end

      # @return [Array<Array(Integer, Integer, Object)>]
      def in_run(text)
        written = written(text)
        heads = heads(written)
        return [] if heads.empty?

        run = Run.new(text, written, starts(text, written))
        heads.flat_map { |i| from(run, i) }
      end

      # Most words that a name begins with go on otherwise.
      #
      # @return [Array<Integer>] where a name could stand, by its first two words
      def heads(written)
        found, i = [], -1
        while (i += 1) < written.size # of all that is done for a text this takes longest
          node = @beginnings[written[i]] or next
          found << i if node.key?(nil) || (i + 1 < written.size && node.key?(@keys[written[i + 1]]))
        end
        found
      end

      # All that stands in texts is taken apart here: the plain letters of most need no pattern, which takes three times as long.
      #
      # @return [Array<String>] its words
      def written(text)
        text.ascii_only? && !text.include?("'") ? text.tr("^A-Za-z0-9", " ").split : text.scan(WORD)
      end

      # @return [Array<Integer>] where each word begins
      def starts(text, written)
        at = 0
        gaps = text.split(WORD, -1) unless text.ascii_only? # there letters are counted from the beginning each time
        written.each_with_index.map do |word, i|
          start = gaps ? at + gaps[i].length : text.index(word, at)
          at = start + word.length
          start
        end
      end

      def from(run, first)
        tree, last, found = @tree, first, []
        while last < run.words.size && (tree = tree[@keys[run.words[last]]])
          start, upto = run.starts[first], run.end_of(last)
          tree[nil]&.each { |known| found << [ start, upto - start, known.name.id ] if stands?(known, run, first..last) }
          last += 1
        end
        found
      end

      def stands?(known, run, words)
        return false if known.exact && run.text[run.starts[words.first]...run.end_of(words.last)] != known.name.text

        words.each_cons(2).with_index.all? do |(one, other), i|
          gap = run.text[run.end_of(one)...run.starts[other]]
          gap.match?(BETWEEN) || gap.strip == known.between[i]
        end
      end
    end
  end
end
