# Reading what somebody brought in, as long work: what is packed is unpacked, each text is asked what it tells of itself and its place,
# then all are arranged and read, some at a time, in a process of their own.
class BringingIn
  PORTION = 240 # texts
  FILES = 100 # unpacked at once
  KEPT = 8 # texts, at once
  SHARED = 3 # texts that say they have one title
  COMPARED = 20 # texts with what they said before, at once

  Portion = Struct.new(:step, :items) do
    def size
      step == :read ? items.size : 0
    end
  end

  # @param work [Work]
  def initialize(work)
    @work = work
  end

  # Each is asked for once those before are done.
  #
  # @return [Enumerator<Portion>]
  def portions
    Enumerator.new do |list|
      folders { |folder| names_in(folder).each_slice(FILES) { |names| list << Portion.new(:unpack, [ folder, names ]) } }
      @work.update!(total: arrival.files.texts.count)
      telling.where(survey: nil).ids.each_slice(PORTION) { |ids| list << Portion.new(:survey, ids) }
      list << Portion.new(:arrange, []) unless into_draft?
      texts.where(reading: nil, problem: nil).ids.each_slice(PORTION) { |ids| list << Portion.new(:read, ids) }
      next if into_draft?

      list << Portion.new(:recognise, [])
      known.ids.each_slice(COMPARED) { |ids| list << Portion.new(:carry, ids) }
      list << Portion.new(:settle, [])
      known.ids.each_slice(COMPARED) { |ids| list << Portion.new(:compare, ids) }
    end
  end

  # @param portion [Portion]
  def do(portion)
    send(portion.step, *portion.items)
  end

  # It waits to be looked at.
  def finish
    nil
  end

  def announce(_result); end

  def conclude(_result); end

  # Nothing of it stays.
  def undo
    arrival_if_there&.forget
  end

  private

  # Books that lie in what is packed come to light as it is unpacked.
  def folders
    done = []
    while (folder = arrival.packed.where.not(id: done).order(:id).first)
      done << folder.id
      yield folder
    end
  end

  # A book among others that cannot be opened is told as such, and keeps nothing else back.
  def names_in(folder)
    Unpacked.new(folder.lying).names.map { |name| "#{prefix(folder)}#{name}" }
  rescue Unpacked::Unfit => e
    raise Work::Impossible, e.message unless folder.path.match?(Arrival::BOOK) && arrival.files.many?

    folder.update!(kind: "other", problem: "unreadable")
    []
  end

  def unpack(folder, names)
    there = arrival.files.where(path: names).pluck(:path)
    left = (names - there).map { |name| name.delete_prefix(prefix(folder)) }
    arrival.keep(Unpacked.new(folder.lying).enum_for(:each, left).lazy.map { |name, bytes| [ "#{prefix(folder)}#{name}", StringIO.new(bytes) ] }, unpack: (:books unless folder.path.match?(Arrival::BOOK)))
    touch
  rescue Unpacked::Unfit, Arrival::Full => e
    raise Work::Impossible, e.is_a?(Arrival::Full) ? "unpacked_#{e.message}" : e.message
  end

  # What comes along with others lies in a folder of its own.
  def prefix(folder)
    folder.path == alone ? "" : "#{folder.path.sub(Arrival::PACKED, "")}/"
  end

  # @return [String, nil] the path of all that came, if that is one; told before it is unpacked, as it may have to be gone on with
  def alone
    @work.update!(details: @work.details.merge("alone" => (arrival.files.first.path unless arrival.files.many?))) unless @work.details.key?("alone")
    @work.details["alone"]
  end

  def survey(*ids)
    told = reading(ids, telling).enum_for(:each_survey).map { |key, survey| [ key, { survey: ArrivedFile.binary(survey || {}), leads_on: survey&.dig("on") } ] }
    Arrival.transaction { told.each { |key, values| arrival.files.where(key: key).update_all(values) } }
    touch
  end

  def arrange
    ArrivedForwards.new(texts.where(part_of: nil).with_attached_original).mark_copies
    ArrivalTree.new(arrival).arrange
    touch
  end

  def read(*ids)
    done = @work.done
    reading(ids, shared: shared).enum_for(:each).each_slice(KEPT) do |read|
      arrival.add(read)
      @work.update!(done: done += read.size)
    end
    @work.done -= ids.size # which is counted with the portion
  end

  # Whether it has come before.
  def recognise
    return if arrival.anew? || arrival.before

    arrival.update!(before: ComingAgain.before(arrival))
    arrival.again&.match
  end

  def carry(*ids)
    known.where(id: ids).find_each { |file| arrival.again.carry(file) }
    touch
  end

  def compare(*ids)
    links = ArrivedLinks.new(arrival)
    known.where(id: ids).find_each { |file| arrival.again.compare(file, links) }
    touch
  end

  def known
    texts.where.not(known_page_id: nil)
  end

  def settle
    arrival.settle
    ArrivedBooks.new(arrival).settle
    ArrivedSources.new(arrival).settle
    ArrivedForwards.new(arrival.files.texts).settle
    touch
  end

  def reading(ids, all = texts, shared: [])
    files = all.where(id: ids).with_attached_original.index_by(&:key).transform_values { |file| Upload.new(file.path, path: file.lying) }
    ReadApart.new(files, files: paths, pictures: pictures, address: @work.details["address"], repeated: arrival.repeated.reject { |part| part["back"] }, shared: shared, into_draft: into_draft?)
  end

  # What so many pages say they are called is the name of the whole.
  def shared
    @shared ||= texts.where.not(survey: nil).find_each.filter_map { |file| file.survey_told["title"] }.tally.select { |_title, count| count >= SHARED }.keys
  end

  def paths
    @paths ||= arrival.files.where.not(kind: "folder").pluck(:path)
  end

  def pictures
    @pictures ||= arrival.files.where(kind: "picture").with_attached_original.map { |file| [ file.path, file.lying ] }
  end

  def texts
    arrival.files.texts
  end

  # Texts, and what tells of them.
  def telling
    arrival.files.texts.or(arrival.files.where(ArrivedBooks::SAYING))
  end

  def into_draft?
    @work.details["into_draft"]
  end

  def touch
    @work.update!(updated_at: Time.current)
  end

  def arrival
    arrival_if_there or raise Work::Impossible, "gone"
  end

  def arrival_if_there
    @arrival ||= Arrival.find_by(work: @work)
  end
end
