require "zuhause/links/promised"
require "zuhause/links/names"
require "zuhause/links/target"
require "zuhause/links/reference"
