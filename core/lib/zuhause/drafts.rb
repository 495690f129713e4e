require "zuhause/drafts/thinning"
