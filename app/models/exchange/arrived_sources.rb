# Sources that lie beside what was made of them: they say the same once more, so they are not brought in unless somebody says so.
class ArrivedSources
  LARGEST = 2.megabytes # to be compared

  # @param arrival [Arrival]
  def initialize(arrival)
    @arrival = arrival
  end

  def settle
    pairs = made_of.map { |paths| files.values_at(*paths) }.select(&:all?)
    sources = Zuhause::Exchange::Sources.among(pairs.map { |source, _made| source.path }, pairs.filter_map { |source, made| source.path if same?(source, made) })
    @arrival.files.where(path: sources, known_page_id: nil).update_all(left_out: true)
  end

  # @return [Hash{String=>String}] see {Zuhause::Exchange::Sources.made_of}
  def made_of
    @made_of ||= Zuhause::Exchange::Sources.made_of(@arrival.files.texts.where(part_of: nil).order(:path).pluck(:path))
  end

  private

  def files
    @files ||= @arrival.files.texts.where(problem: nil, path: made_of.to_a.flatten.uniq).with_attached_original.index_by(&:path)
  end

  def same?(source, made)
    texts = [ source, made ].map { |file| Upload.text(File.binread(file.lying, LARGEST).to_s).scrub("") }
    Zuhause::Exchange::Sources.same?(*texts)
  end
end
