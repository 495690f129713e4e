# Words that may be given in several languages. The column itself holds the words of the house's own language; others lie in
# one column, `in_languages`: { "en-US" => { "name" => "Elevators" } }. Reading an attribute gives the words for the language
# of whoever looks, then those of that language in general, then the house's own; `self[:name]` is always the house's own.
module Worded
  extend ActiveSupport::Concern

  included { validate :words_in_known_languages }

  class_methods do
    # @param attributes [Hash{Symbol=>Integer}] the attributes that are worded, with the longest that they may be
    def worded(**attributes)
      class_attribute :longest_words, default: attributes.stringify_keys, instance_accessor: false
      attributes.each_key { |attribute| define_method(attribute) { words_in(I18n.locale, attribute) || super() } }
    end

    # @return [Array<String>] the languages in which words can be given beside the house's own
    def other_languages
      I18n.available_locales.map(&:to_s) - [ I18n.default_locale.to_s ]
    end
  end

  # @param language [String, Symbol] a tag as of BCP 47
  # @return [String, nil] the words given for it or for the language it is a form of
  def words_in(language, attribute)
    tag = language.to_s
    [ tag, tag[/\A[a-z]+/i] ].uniq.filter_map { |each| in_languages.dig(each, attribute.to_s) }.first
  end

  # @param given [Hash{String=>Hash{String=>String}}] words by language and attribute; blank ones are as if not given
  def in_languages=(given)
    cleaned = given.to_h.to_h do |language, words|
      [ language.to_s, words.to_h.to_h { |attribute, text| [ attribute.to_s, Zuhause::Document::Title.clean(text.to_s) ] }.compact_blank ]
    end
    super(cleaned.compact_blank)
  end

  private

  def words_in_known_languages
    errors.add(:in_languages, :inclusion) if (in_languages.keys - self.class.other_languages).any?
    in_languages.each_value do |words|
      errors.add(:in_languages, :inclusion) if (words.keys - self.class.longest_words.keys).any?
      words.each { |attribute, text| errors.add(:in_languages, :too_long, count: self.class.longest_words[attribute]) if text.length > self.class.longest_words.fetch(attribute, 0) }
    end
  end
end
