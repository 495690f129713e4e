# One text as it was read: its +key+ is the public id that its page will have, +path+ where it lay, +pictures+ the ids that stand in
# its document with the paths of the files (nil for one that came within the text), +anchors+ the ids of blocks by the names that links
# lead to, +links+ what it leads to among what came (a path, a place in it, the address as it was written), by the numbers that stand
# in the document for them ({ArrivedLinks}); +parts+: further texts that are to
# stand below it, where it was too long for one page; +problem+ says why it could not be read.
ArrivedText = Struct.new(:key, :path, :title, :document, :reports, :pictures, :anchors, :links, :language, :parts, :problem, keyword_init: true) do
  def name
    File.basename(path)
  end
end
