module Zuhause
  module Finding
    # All weights of the scoring in one place, each with why. They were set by trying questions over a demo house and over manuals;
    # bin/bench finding tells what a change of them makes better and worse.
    module Weights
      # What a word found in a field counts, against the same word in the text. A title or a heading is chosen to say what follows;
      # a path says it of much else too.
      FIELDS = { title: 2.8, heading: 2.8, above: 1.2, path: 0.7, body: 1.0 }.freeze
      # How soon more of the same word adds no more (k1 of BM25: Robertson and Zaragoza, "The probabilistic relevance framework",
      # 2009).
      SATURATION = 1.5
      # How much a long text's words count less, and what is long: a constant, since an average would tell of closed pages.
      LENGTH, USUAL = 0.45, 90 # words
      # What the form of a word counts in which it was found.
      FORMS = { same: 1.0, stem: 0.92, begun: 0.75, slip: 0.85, synonym: 0.8, compound: 0.55 }.freeze
      # Words that hold others together count less, but they do: “over only some of the rows” is found where somebody put it so.
      FUNCTION = 0.4
      # Sections in which words stand that are common in any text, beside those that were counted.
      PSEUDO = 100
      # A section that has all that is asked is worth more than its words one by one; and one that has them itself more than one
      # whose page has them in its title.
      COVERED, OWN = 0.4, 0.1
      # Words that stand close to each other, in the order asked, and as they are quoted or written as one.
      CLOSE, ORDER, JOINED = 0.55, 0.2, 0.5
      # How much more a word tells the rarer it is, as a power: everyday words of a question may stand nowhere else in a manual, and
      # say no more for that.
      DAMPED = 0.8
      # A heading that says little but what is asked.
      ABOUT = 0.1
      # What a page begins with, whose title is all that is asked: whoever asks by a title means the page.
      NAMED = 0.6
      # A text that has what the question wants (steps, a time, an amount).
      KIND = 0.10
      # Links that lead to the page, and that one has read or written it lately: they decide among equals.
      LINKS, LATELY = 0.012, 0.03
      # What an answer needs to be shown as one: the part of what is asked that was found, and the score for each rarity asked.
      CONFIDENT, FITTING = 0.43, 0.3
      # How far the form of a word that was found is to be trusted for that: what was asked may be quite another word. A short word
      # with a slip may be any.
      TRUST = { same: 1.0, stem: 1.0, synonym: 0.9, slip: 0.9, compound: 0.6, begun: 0.4 }.freeze
      SHORT = 5 # letters
      # Beside the best, what scores less than this part of it is not told.
      TOLD = 0.22
      # What a page that is put aside counts beside others: what still holds comes first where it says half as much.
      ASIDE = 0.4
    end
  end
end
