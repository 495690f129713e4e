require "zuhause/exchange/bibliography"
require "zuhause/exchange/entitled"
