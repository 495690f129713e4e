# Some happenings as one viewer may read of them, now: whether and with which titles they are told, and the names of all who
# are in them, looked up together.
class HappeningReader
  LEVELS = { readers: :read, hearers: :read, writers: :write, keepers: :keep }.freeze

  # @param happenings [Array<Happening>] with their people, pages and rooms
  # @param viewer [Viewer]
  def initialize(happenings, viewer)
    @happenings = happenings
    @viewer = viewer
    @places = {}
  end

  # @return [Boolean] whether the viewer may read that it happened, and to what
  def reads?(happening)
    readers = happening.kind.readers
    return @viewer.administrator? if readers == :administrators
    level = happening.details["draft"] ? :write : LEVELS.fetch(readers)
    return among(Page, level).include?(happening.page_id) if happening.page_id
    return judged_by_tombstone?(happening, level) if of_page?(happening)

    among(Room, readers == :hearers ? :inside : level).include?(happening.room_id)
  end

  # @return [String, nil] what it is about, as it was called; nil where the viewer may not read of that
  def title(happening)
    case happening.kind.about
    when :group, :house then happening.title
    when :person then person(happening.subject_id)
    else happening.title.presence if reads?(happening) || (!of_page?(happening) && door?(happening))
    end
  end

  # @return [Page, Room, nil] where it leads to now
  def place(happening)
    return unless %i[page room place].include?(happening.kind.about) && reads?(happening)

    happening.page_id ? (happening.page unless happening.page.binned?) : (happening.room unless of_page?(happening))
  end

  # @param holder [String] as Holding.key gives it
  # @return [String]
  def holder(holder)
    kind, id = holder.split(":", 2)
    case kind
    when "person" then person(id)
    when "group" then I18n.t("access.group", name: groups.fetch(id) { I18n.t("happenings.somebody") })
    else I18n.t("access.holders.#{kind}")
    end
  end

  # @param public_id [String]
  # @return [String]
  def person(public_id)
    people.fetch(public_id) { I18n.t("happenings.somebody") }
  end

  private

  def of_page?(happening)
    happening.subject.start_with?("page:")
  end

  # Of rooms administrators know the names; one's own are nobody else's business.
  def door?(happening)
    @viewer.administrator? && happening.room && !happening.room.own?
  end

  # @param model [Class] Page or Room
  # @return [Set<Integer>] those that the viewer reads, writes or keeps
  def among(model, level)
    @places[[ model, level ]] ||= begin
      ids = @happenings.filter_map(&:"#{model.model_name.element}_id").uniq
      found = { [ Page, :read ] => -> { Page.seen_by(@viewer) }, [ Room, :read ] => -> { Room.seen_by(@viewer) }, [ Room, :inside ] => -> { Room.giving(@viewer, :read) } }.fetch([ model, level ]) { -> { model.giving(@viewer, level) } }.call
      found.where(id: ids).ids.to_set
    end
  end

  # What is gone is judged by the list that it had in the end.
  def judged_by_tombstone?(happening, level)
    @tombstones ||= Tombstone.where(public_id: @happenings.select { |each| each.page_id.nil? && of_page?(each) }.map(&:subject_id)).index_by(&:public_id)
    tombstone = @tombstones[happening.subject_id] or return false

    level = :write if level == :read && !tombstone.published?
    @viewer.list_ids(level).include?(tombstone.access_list_id)
  end

  def people
    @people ||= Person.where(public_id: ids_of("person") | @happenings.flat_map { |each| each.details.values_at("people", "joined", "left").flat_map { |ids| Array(ids) } }).pluck(:public_id, :name).to_h
  end

  def groups
    @groups ||= Group.where(public_id: ids_of("group")).pluck(:public_id, :name).to_h
  end

  def ids_of(kind)
    @happenings.flat_map { |each| [ each.subject, each.details["holder"].to_s ] }.select { |key| key.start_with?("#{kind}:") }.map { |key| key.split(":", 2)[1] }
  end
end
