require "zuhause/exchange/bibliography"
