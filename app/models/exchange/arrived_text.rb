# One text that was brought in: its +key+ is the public id that its page will have, +pictures+ are the ids that stand in its
# document; +problem+ says why it could not be read.
ArrivedText = Struct.new(:key, :name, :title, :document, :reports, :pictures, :problem, keyword_init: true) do
  def words
    Zuhause::Document::Text.words(document)
  end
end
