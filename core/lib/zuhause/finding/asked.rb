module Zuhause
  module Finding
    # A word that is asked for, with the words of the house in which it is looked for.
    class Asked
      # @return [String] folded, as it was asked
      attr_reader :word
      # @return [Hash{String=>Symbol}] words, each with its form: a key of {Weights::FORMS}
      attr_reader :forms
      # @return [Float] how much it tells: its rarity, less for words that are common anywhere
      attr_reader :rarity
      # @return [Integer] in how many sections it stands, of those the asker reads
      attr_reader :sections
      # @return [Boolean] whether it is written as one with the word asked before it
      attr_reader :joined

      # @param asked [Question::Word]
      # @param forms [Hash{String=>Symbol}]
      # @param sections [Integer] in which one of them stands, of those the asker reads
      # @param of [Integer] sections that the asker reads
      def initialize(asked, forms:, sections:, of:)
        @word, @joined, @forms, @sections = asked.word, asked.joined, forms, sections
        seen = [ sections, of ].min + (Weights::PSEUDO * asked.common)
        all = of + Weights::PSEUDO
        @rarity = (Math.log(1 + ((all - seen + 0.5) / (seen + 0.5))) * (asked.function? ? Weights::FUNCTION : 1.0))**Weights::DAMPED
      end

      # @return [Float] what a word counts if it is found, from 0
      def weight(word)
        (form = forms[word]) ? Weights::FORMS.fetch(form) : 0.0
      end

      def known?
        forms.any?
      end
    end
  end
end
