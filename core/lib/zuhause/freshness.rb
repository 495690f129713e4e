require "zuhause/freshness/due"
require "zuhause/freshness/reasons"
require "zuhause/freshness/facts"
require "zuhause/freshness/health"
require "zuhause/freshness/room_health"
require "zuhause/freshness/text_dates"
require "zuhause/freshness/round"

module Zuhause
  # Whether what a page says is still true: by when somebody has to say so, and what makes one doubt it meanwhile.
  module Freshness
  end
end
