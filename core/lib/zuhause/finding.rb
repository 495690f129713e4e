require "zuhause/finding/query"
require "zuhause/finding/snippet"
require "zuhause/finding/spelling"
