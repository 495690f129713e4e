# A word of the house's term list, with what it means and the words that others use for it: asked with one of them, pages are
# found by all.
class Term < ApplicationRecord
  include PubliclyIdentified

  MOST = 12 # other words
  LONGEST = 60 # characters of one

  belongs_to :person, optional: true

  normalizes :name, :meaning, with: ->(text) { Zuhause::Document::Title.clean(text) }
  validates :name, presence: true, length: { maximum: LONGEST }
  validates :meaning, length: { maximum: 300 }
  validates :language, inclusion: { in: Page::Looks::LANGUAGES.keys }, allow_blank: true
  validate :others_in_bounds

  scope :by_name, -> { order(Arel.sql("name COLLATE NOCASE"), :id) }

  class << self
    # @param words [Array<String>] folded
    # @return [Hash{String=>Array<String>}] by each, folded words that mean the same here; of names of several words those that
    #   tell something
    def alike(words)
      known = groups
      words.index_with do |word|
        keys = Zuhause::Finding::Folding.keys(word)
        known.select { |_words, asked| (asked & keys).any? }.flat_map(&:first).uniq - [ word ]
      end
    end

    private

    # @return [Array<Array(Array<String>, Array<String>)>] of each term its words, and the keys of those that are asked by
    #   themselves
    def groups
      pluck(:name, :others).map do |name, others|
        names = [ name, *others ].map { |each| Zuhause::Finding::Folding.words(each) }
        [ names.flat_map { |words| telling(words) }.uniq, names.select(&:one?).flatten.flat_map { |word| Zuhause::Finding::Folding.keys(word) } ]
      end
    end

    def telling(words)
      words.one? ? words : words.reject { |word| Zuhause::Finding::CommonWords.part(word).positive? }
    end
  end

  # @return [String] for a field, separated by commas
  def others_in_words
    others.join(", ")
  end

  # @param text [String] separated by commas or line ends
  def others_in_words=(text)
    self.others = text.to_s.split(/[,;\n]/).map { |word| Zuhause::Document::Title.clean(word) }.reject(&:empty?).uniq
  end

  private

  def others_in_bounds
    errors.add(:others_in_words, :too_many, count: MOST) if others.size > MOST
    errors.add(:others_in_words, :too_long, count: LONGEST) if others.any? { |word| word.length > LONGEST }
  end
end
