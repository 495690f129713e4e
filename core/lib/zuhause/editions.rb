require "date"
require "zuhause/editions/thinning"

module Zuhause
  # What has been published of a page, one after another.
  module Editions
  end
end
