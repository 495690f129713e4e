# Links among what was brought in. While it is read nobody knows yet what will come of the rest: a number stands in the document for
# each, to be followed in the table of all names once everything is there.
class ArrivedLinks
  STANDING = "https://arrived.invalid/".freeze # no host has such a name (RFC 2606)
  # What became of a link that does not lead where it did: +code+ is "link_missing", "link_left_out", "link_place" or "link_file".
  Loss = Struct.new(:code, :detail, keyword_init: true)

  # @param number [Integer]
  # @return [String] an address that stands for it
  def self.standing_for(number)
    "#{STANDING}#{number}"
  end

  # @param arrival [Arrival]
  # @param gone [Set<String>] keys of texts that do not become pages
  def initialize(arrival, gone: Set.new)
    @files = arrival.files.light.index_by(&:path)
    @forwards = ArrivedForwards.new(arrival.files)
    @gone = gone
    @known = Page.where(id: @files.each_value.filter_map(&:known_page_id)).pluck(:id, :public_id).to_h
    @places = Hash.new { |known, path| known[path] = ArrivedFile.find(@files.fetch(path).id).places }
    @parts = @files.each_value.group_by(&:part_of_id)
    @likely = Hash.new { |known, file| known[file] = likely(file) }
  end

  # @param file [ArrivedFile]
  # @return [Array(Hash, Array<Loss>, Array<ArrivedFile>)] its document with links that lead to pages, what could not be kept, and
  #   files that it leads to
  def follow(file)
    losses, led = [], []
    document = Zuhause::Links.retarget(file.document) do |target|
      number = target.kind == :web && target.value.start_with?(STANDING) or next target
      number = Integer(target.value.delete_prefix(STANDING), 10, exception: false)
      path, place, address = number && file.held.dig("links", number)
      Zuhause::Links::Target.parse(target_of(path, place, address.to_s, losses, led))
    end
    [ document, losses, led ]
  end

  private

  def target_of(path, place, address, losses, led)
    path, place = @forwards.on(path)&.then { |on, there| [ on, there || place ] } || [ path, place ] if left_out?(path) && @forwards.leads_on?(path)
    file = @files[path]
    return lost(losses, "link_missing", address) unless file && file.kind != "folder" && file.part_of_id.nil?
    return to_file(file, address, losses, led) unless file.kind == "text"
    return lost(losses, "link_left_out", address) if file.problem || left_out?(path)

    to, block = place.present? && at(file, place) { lost(losses, "link_place", address) }
    to ||= file
    [ "page:#{@known.fetch(to.known_page_id, to.key)}", block ].compact.join("#")
  end

  def left_out?(path)
    file = @files[path]
    file && @gone.include?(file.key) && !@known.key?(file.known_page_id)
  end

  # The page that has a place, which is one of several where a text was too long for one, and the block; the beginning of the page for
  # what stood where nothing of it stands any more.
  def at(file, place)
    [ file, *@parts[file.id] ].each do |part|
      places = @places[part.path]
      name = [ place, place.downcase, place.delete_prefix("user-content-"), place.downcase.sub(/_(?=\d+\z)/, "-") ].find { |each| places.key?(each) }
      return [ part, places[name] ] if name && (places[name] || part == file && @parts[file.id].nil?)
    end
    place == "top" || @places[file.path].key?(place) ? nil : meant(file, place) || yield
  end

  def meant(file, place)
    names, likely = @likely[file]
    names[likely.meant(place)]
  end

  # @return [Array(Hash, Zuhause::Exchange::LikelyNames)] parts of a text and blocks by the names that lead to them
  def likely(file)
    names = [ file, *@parts[file.id] ].flat_map { |part| @places[part.path].filter_map { |name, block| [ name, [ part, block ] ] if block } }.to_h
    [ names, Zuhause::Exchange::LikelyNames.new(names.keys) ]
  end

  # Files go with the first page that leads to them.
  def to_file(file, address, losses, led)
    return lost(losses, "link_file", address) if file.problem

    led << file
    "file:#{file.key}"
  end

  def lost(losses, code, address)
    losses << Loss.new(code: code, detail: address)
    nil
  end
end
