# Where the pages stand that files become, and what stands on nearly every one of them: worked out from what they tell, and kept.
class ArrivalTree
  # @param arrival [Arrival]
  def initialize(arrival)
    @arrival = arrival
    @told, @parts = {}, {}
  end

  # Keeps both. Done again, it changes nothing that somebody has changed by hand.
  def arrange
    @arrival.files.where.not(survey: nil).find_each { |file| take(file) }
    entries = Zuhause::Exchange::Arrangement.new(paths, told: @told, books: books.arranged).entries
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

  def take(file)
    survey = file.survey_told
    return if survey.empty?
    return unless survey["rels"]

    to = ->(address) { address && names.follow(file.path, address)&.first }
    rels = survey["rels"]
    lists = survey["lists"].map { |items| names.list(file.path, items) }
    @told[file.path] = Zuhause::Exchange::Arrangement::Told.new(lists: lists.map { |items| (@same ||= {})[items] ||= items }, up: to.(rels["up"]), before: to.(rels["prev"]), after: to.(rels["next"]))
    @parts[file.path] = [ survey["words"], survey["parts"].map { |part| Zuhause::Exchange::Survey::Part.new(**Zuhause::Exchange::Survey::Part.members.zip(part).to_h) } ] if survey["parts"].any?
  end

  def books
    @books ||= ArrivedBooks.new(@arrival, names)
  end

  def repeated
    back = @arrival.repeated.select { |part| part["back"] }.map { |part| part.slice("key", "shape", "folder") }
    Zuhause::Exchange::Repeated.new(@parts).found.map { |part| part.to_h.stringify_keys.compact.then { |told| back.include?(told.slice("key", "shape", "folder")) ? told.merge("back" => true) : told } }
  end

  # @return [Hash{String=>Integer}] ids of files and folders by their paths
  def places(entries)
    there = @arrival.files.places.pluck(:path, :id).to_h
    entries.select(&:folder?).each { |entry| there[entry.path] ||= @arrival.files.create!(kind: "folder", path: entry.path, key: PubliclyIdentified.generate, title: books.title_in(entry.path) || entry.name.tr("_", " ").strip.presence || entry.name).id }
    there
  end
end
