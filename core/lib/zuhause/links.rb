require "zuhause/links/target"
require "zuhause/links/reference"
