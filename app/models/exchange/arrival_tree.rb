# Where the pages stand that files become, and what stands on nearly every one of them: worked out from what they tell, and kept.
class ArrivalTree
  # @param arrival [Arrival]
  def initialize(arrival)
    @arrival = arrival
    @said, @parts = {}, {}
  end

  # Keeps both. Done again, it changes nothing that somebody has changed by hand.
  def arrange
    @arrival.files.where.not(survey: nil).find_each { |file| take(file) }
    entries = Zuhause::Exchange::Arrangement.new(paths, told: told, books: books.arranged).entries
    Arrival.transaction do
      @arrival.update!(repeated: repeated)
      ids = places(entries)
      entries.each_with_index { |entry, i| ArrivedFile.where(id: ids.fetch(entry.path)).update_all(above_id: entry.above && ids.fetch(entry.above), position: i) }
    end
  end

  private

  def paths
    @paths ||= @arrival.files.texts.order(:path).pluck(:path)
  end

  def names
    @names ||= Zuhause::Exchange::Names.new(paths)
  end

  def forwards
    @forwards ||= ArrivedForwards.new(@arrival.files.texts, names)
  end

  # @return [Array(String|nil, String|nil)] what it leads to in the end; nil for what leads to nothing that came
  def on(path = nil, place = nil)
    forwards.on(path)&.then { |to, there| [ to, there || place ] } || [ path, place ]
  end

  def take(file)
    survey = file.survey_told
    return if survey.empty?
    return unless survey["rels"]

    @said[file.path] = [ survey["rels"], survey["lists"].zip(survey["within"].to_a).map { |items, within| [ kept(names.list(file.path, items).map { |depth, *at| [ depth, *on(*at) ] }), within.to_a ] } ]
    @parts[file.path] = [ survey["words"], survey["parts"].map { |part| Zuhause::Exchange::Survey::Part.new(**Zuhause::Exchange::Survey::Part.members.zip(part).to_h) } ] if survey["parts"].any? && survey["on"].nil?
  end

  # Many pages have the same lists.
  def kept(list)
    (@kept ||= {})[list] ||= list
  end

  # @return [Hash{String=>Zuhause::Exchange::Arrangement::Told}] by paths
  def told
    @said.to_h do |path, (rels, lists)|
      to = ->(address) { address && names.follow(path, address)&.then { |there, _place| on(there).first } }
      parts = on_all.of(path)
      bars, own = lists.map { |items, within| [ items, parts.find { |part| within.include?(part.key || part.shape) } ] }.partition(&:last)
      [ path, Zuhause::Exchange::Arrangement::Told.new(lists: own.map(&:first), bars: bars.map { |items, part| [ part.folder, items ] }, up: to.(rels["up"]), before: to.(rels["prev"]), after: to.(rels["next"]), on: forwards.leads_on?(path)) ]
    end
  end

  def on_all
    @on_all ||= Zuhause::Exchange::Repeated.new(@parts)
  end

  def books
    @books ||= ArrivedBooks.new(@arrival, names)
  end

  def repeated
    back = @arrival.repeated.select { |part| part["back"] }.map { |part| part.slice("key", "shape", "folder") }
    on_all.found.map { |part| part.to_h.stringify_keys.compact.then { |told| back.include?(told.slice("key", "shape", "folder")) ? told.merge("back" => true) : told } }
  end

  # @return [Hash{String=>Integer}] ids of files and folders by their paths
  def places(entries)
    there = @arrival.files.places.pluck(:path, :id).to_h
    entries.select(&:folder?).each { |entry| there[entry.path] ||= @arrival.files.create!(kind: "folder", path: entry.path, key: PubliclyIdentified.generate, title: books.title_in(entry.path) || entry.name.tr("_", " ").strip.presence || entry.name).id }
    there
  end
end
