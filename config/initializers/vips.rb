require "vips"

# Readers that were not made for files from strangers stay shut.
Vips.block_untrusted(true)
