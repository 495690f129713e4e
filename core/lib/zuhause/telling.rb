require "zuhause/telling/reasons"
require "zuhause/telling/schedule"

module Zuhause
  # Who is told of what happens, why, and when by mail.
  module Telling
  end
end
