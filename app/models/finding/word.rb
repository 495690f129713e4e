# A word of the house, folded, with its stems and written backwards: by these its forms, compounds and slips are found. That it
# is here says nothing to anybody: what somebody may know of is what is counted in lists that they read (WordCount).
class Word < ApplicationRecord
  self.primary_key = :word

  END_OF_ALL = "\u{10FFFF}".freeze

  scope :beginning, ->(letters) { where(word: letters..(letters + END_OF_ALL)) }
  scope :of_length, ->(lengths) { where("length(word) BETWEEN ? AND ?", lengths.begin, lengths.end) }
  scope :ending, ->(letters) { where(backwards: letters.reverse..(letters.reverse + END_OF_ALL)) }

  class << self
    # @param words [Array<String>] folded
    def keep(words)
      missing = connection.select_values(sanitize_sql([ "SELECT value FROM json_each(?) WHERE value NOT IN (SELECT word FROM words)", JSON.generate(words) ]))
      insert_all(missing.map { |word| row(word) }) if missing.any?
    end

    # Works the stems of all words out again, as they must be when words are compared otherwise.
    #
    # @return [Integer] words whose stems were others
    def stem_anew
      in_batches(of: 1000, load: true).sum do |words|
        other = words.map { |word| row(word.word) }.zip(words).reject { |row, word| row == word.attributes.symbolize_keys.slice(*row.keys) }.map(&:first)
        upsert_all(other, unique_by: :word) if other.any?
        other.size
      end
    end

    # @return [ActiveRecord::Relation<Word>] that word and other forms of it
    def forms_of(word)
      english, german = Zuhause::Finding::Folding.keys(word)
      where(word: word).or(where(english: english)).or(where(german: german))
    end

    private

    def row(word)
      english, german = Zuhause::Finding::Folding.keys(word)
      { word: word, english: english, german: german, backwards: word.reverse }
    end
  end
end
