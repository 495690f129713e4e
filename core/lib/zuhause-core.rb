require "zuhause/core"
