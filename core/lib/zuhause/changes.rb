require "zuhause/changes/matching"
require "zuhause/changes/inline"
require "zuhause/changes/entry"
require "zuhause/changes/comparison"
