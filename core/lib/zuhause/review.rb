require "zuhause/review/rules"
require "zuhause/review/right"
require "zuhause/review/approval"
require "zuhause/review/standing"
require "zuhause/review/table"

module Zuhause
  # Looking over a page before it counts: who may approve, how many of them it takes, and what can happen to a review. An
  # approval names the digest of the state that was approved, so that what is published is exactly that.
  module Review
  end
end
