require "zuhause/talk/words"
require "zuhause/talk/proposing"
require "zuhause/talk/standing"

module Zuhause
  # What colleagues say to a page: notes on its text, other words for it, questions.
  module Talk
    LONGEST = 5_000 # characters of what is said at once
  end
end
