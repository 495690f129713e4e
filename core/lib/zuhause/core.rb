require "set"
require "json"

# The rules of Zuhause in plain Ruby. Nothing here knows of a database, of HTTP or of a screen.
module Zuhause
end

require "zuhause/document"
require "zuhause/links"
require "zuhause/markup"
require "zuhause/inviting"
require "zuhause/exchange"
require "zuhause/access"
require "zuhause/finding"
require "zuhause/happenings"
require "zuhause/telling"
require "zuhause/freshness"
require "zuhause/changes"
require "zuhause/merging"
require "zuhause/restructuring"
require "zuhause/addresses"
require "zuhause/anchors"
require "zuhause/talk"
require "zuhause/review"
require "zuhause/attribution"
require "zuhause/editions"
require "zuhause/drafts"
require "zuhause/days"
require "zuhause/markup/comparison_html"
