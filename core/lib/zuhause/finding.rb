require "zuhause/finding/query"
