require "zuhause/finding/query"
require "zuhause/finding/spelling"
