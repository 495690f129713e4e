require "zuhause/days/words"
