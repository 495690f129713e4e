require "zuhause/exchange/bibliography"
require "zuhause/exchange/entitled"
require "zuhause/exchange/generations"
