# The words of the house as one viewer may know of them: those that stand in what they read, and in how many sections. In which of
# them a word that is asked for is looked for: itself, its other forms, words made with it, and what was meant where it has a slip.
class Vocabulary
  FORMS = 24 # of one word
  COMPOUNDS = 40 # that are looked at
  SHORTEST = 5 # letters of a word that compounds are looked for by
  PART = 3 # letters of the other part
  PREFIXES = %w[con com dis ent mis non per pre pro sub ver zer].to_set.freeze # that make no compound
  HALF = 4 # letters of a part of a word that is taken apart
  LINKS = [ "", "s", "es", "n", "en" ].freeze # between its parts
  MEANT = 3 # words that may be meant by one with a slip
  LOOKED_AT = 4000 # words that it may be
  FEW = 400 # lists

  # @param viewer [Viewer]
  def initialize(viewer)
    @viewer, @lists = viewer, viewer.list_ids(:read)
    @counts = {}
  end

  # @return [Integer] all sections that the viewer reads
  def sections
    @sections ||= count_of(WordCount::ALL)
  end

  # @param question [Zuhause::Finding::Question]
  # @return [Array<Zuhause::Finding::Asked>] in the order asked
  def asked(question)
    alike = Term.alike(question.words.reject(&:function?).map(&:word))
    forms = question.words.to_h { |word| [ word.word, word.function? ? { word.word => :same } : likely(word, alike.fetch(word.word)) ] }
    learn([ WordCount::ALL, *forms.values.flat_map(&:keys) ])
    question.words.map { |word| asked_word(word, known(forms.fetch(word.word))) }
  end

  private

  def asked_word(word, forms)
    forms = uncounted(word.word) || meant(word.word) if forms.empty? && !word.function?
    Zuhause::Finding::Asked.new(word, forms: forms, sections: forms.keys.sum { |form| count_of(form) }, of: sections)
  end

  # @return [Hash{String=>Symbol}]
  def likely(word, alike)
    found = alike.flat_map { |other| Word.forms_of(other).limit(FORMS).pluck(:word) }.index_with { :synonym }
    found.merge! Word.forms_of(word.word).limit(FORMS).pluck(:word).to_h { |form| [ form, :stem ] }
    made = compounded?(word.word) ? compounds(word.word) : []
    begun = word.unfinished ? Word.beginning(word.word).limit(COMPOUNDS).pluck(:word) : []
    found.reverse_merge(made.index_with(:compound)).reverse_merge(begun.index_with(:begun)).merge(word.word => :same)
  end

  # Words that begin or end with this one: a door key, a key ring. What only stands before it changes what it means.
  def compounds(word)
    before = Word.ending(word).limit(COMPOUNDS).pluck(:word).reject { |other| other.delete_suffix(word).then { |rest| rest.length < PART || PREFIXES.include?(rest) } }
    after = Word.beginning(word).limit(COMPOUNDS).pluck(:word).reject { |other| other.length < word.length + PART }
    before | after
  end

  # Numbers and codes stand by themselves.
  def compounded?(word)
    word.length >= SHORTEST && !word.match?(/\d/)
  end

  # @return [Hash{String=>Symbol}] of those, what the viewer may know of; the commonest
  def known(forms)
    forms.select { |form, _kind| count_of(form).positive? }.sort_by { |form, kind| [ kind == :same ? 0 : 1, -Zuhause::Finding::Weights::FORMS.fetch(kind), -count_of(form), form ] }.first(FORMS).to_h
  end

  # A page that has been opened a moment ago may not be counted yet.
  def uncounted(word)
    { word => :same } if Section.holding(%("#{word}"), Page.read_by(@viewer), most: 1).any?
  end

  # What a word may be that nothing read has: one with a slip, or one made of two.
  def meant(word)
    slips(word).presence || parts(word)
  end

  # A slip stands at one end of a word at most, so that the other end leads to what was meant.
  def slips(word)
    most = Zuhause::Finding::Spelling.allowed(word)
    return {} if most.zero?

    alike = [ Word.beginning(word[0, 2]), Word.ending(word[-2, 2]) ].flat_map { |words| words.of_length((word.length - most)..(word.length + most)).limit(LOOKED_AT).pluck(:word) }.uniq
    near = alike.map { |other| [ other, Zuhause::Finding::Spelling.distance(word, other, most) ] }.select { |_other, distance| distance <= most }
    learn(near.map(&:first))
    near = near.select { |other, _distance| count_of(other).positive? }.sort_by { |other, distance| [ distance, -count_of(other), other ] }
    near.take_while { |_other, distance| distance == near.first.last }.first(MEANT).to_h { |other, _distance| [ other, :slip ] }
  end

  def parts(word)
    return {} if word.length < HALF * 2

    pairs = (HALF..(word.length - HALF)).flat_map do |at|
      left, right = word[0, at], word[at..]
      LINKS.filter_map { |link| [ left.delete_suffix(link), right ] if left.end_with?(link) && left.length - link.length >= HALF }
    end
    learn(pairs.flatten.uniq)
    pair = pairs.select { |both| both.all? { |part| count_of(part).positive? } }.max_by { |left, right| [ left.length, right.length ].min } or return {}
    pair.to_h { |part| [ part, :compound ] }
  end

  def count_of(word)
    learn([ word ]) unless @counts.key?(word)
    @counts[word]
  end

  # Looks up several at once.
  def learn(words)
    missing = words.uniq.reject { |word| @counts.key?(word) }
    return if missing.empty?

    missing.each { |word| @counts[word] = 0 }
    @counts.merge!(@lists.size > FEW ? counted_among_all(missing) : WordCount.where(word: missing, access_list_id: @lists.to_a).group(:word).sum(:sections))
  end

  # Where one reads most lists, looking up each of them takes longer than reading all.
  def counted_among_all(words)
    rows = WordCount.where(word: words).pluck(:word, :access_list_id, :sections).select { |_word, list, _sections| @lists.include?(list) }
    rows.group_by(&:first).transform_values { |found| found.sum(&:last) }
  end
end
