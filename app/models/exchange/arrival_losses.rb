# All that could not be kept of what was brought in, by kind, with where it stood.
class ArrivalLosses
  Loss = Struct.new(:title, :path, :detail, keyword_init: true)

  # @param arrival [Arrival]
  def initialize(arrival)
    @arrival = arrival
    @links = ArrivedLinks.new(arrival, gone: arrival.gone)
  end

  # @return [Hash{String=>Integer}] how many there are of each kind, the most common first
  def counts
    @counts ||= {}.tap { |counts| each { |_file, code, _detail| counts[code] = counts.fetch(code, 0) + 1 } }.sort_by { |code, count| [ -count, code ] }.to_h
  end

  # @return [Array<Loss>]
  def of(code)
    [].tap { |found| each { |file, each_code, detail| found << Loss.new(title: file.title, path: file.path, detail: detail.to_s) if each_code == code } }
  end

  private

  def each
    texts = @arrival.files.texts.where(problem: nil, left_out: false)
    texts = texts.where("losses > 0") unless @arrival.files.exists?(left_out: true, known_page_id: nil) # links to those are lost as well
    texts.find_each do |file|
      file.reports.each { |report| yield file, report["code"], report["detail"] }
      @links.follow(file)[1].each { |loss| yield file, loss.code, loss.detail }
    end
  end
end
