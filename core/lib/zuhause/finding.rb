require "zuhause/finding/query"
require "zuhause/finding/snippet"
require "zuhause/finding/spelling"
require "zuhause/finding/folding"
require "zuhause/finding/common_words"
require "zuhause/finding/question"
require "zuhause/finding/weights"
require "zuhause/finding/asked"
require "zuhause/finding/places"
require "zuhause/finding/candidate"
require "zuhause/finding/scoring"
require "zuhause/finding/passages"
require "zuhause/finding/typed"

module Zuhause
  # Finding the passage that answers a question: what is asked, in which words of the house it is looked for, and how well a section
  # answers. How often words occur is given by whoever asks the house, of what the asker may read alone.
  module Finding
  end
end
require "zuhause/finding/related"
require "zuhause/finding/file_pieces"
