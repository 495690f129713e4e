# Pages of the house, or of one room, as a list: those that somebody has to do with in one way or another, sorted.
class PageList
  FILTERS = %w[all written kept shared guests anyone read changed drafts aside bin].freeze
  SORTS = %w[title changed keeper reads].freeze
  PER_PAGE = 50

  attr_reader :viewer, :room, :filter, :sort

  # @param filter [String, nil] one of FILTERS
  # @param sort [String, nil] one of SORTS
  # @param tag [Tag, nil] only pages that carry it
  def initialize(viewer, room: nil, filter: nil, sort: nil, tag: nil)
    @viewer = viewer
    @room = room
    @filter = FILTERS.include?(filter) ? filter : "all"
    @sort = SORTS.include?(sort) ? sort : nil
    @tag = tag
  end

  # @return [ActiveRecord::Relation<Page>]
  def pages
    found = send(filter)
    found = found.where(room: room) if room
    found = found.where(id: @tag.taggings.select(:page_id)) if @tag
    in_order(found)
  end

  # What is told of each page of a list, in a few queries for all of them.
  #
  # @return [Hash{Integer=>Array<String>}] names of those who keep it, by access list
  def keepers_of(pages)
    keeping = AccessListEntry.where(access_list_id: pages.map(&:access_list_id).uniq, level: :keep).lasting.left_joins(:person, :group)
    rows = keeping.pluck(:access_list_id, "people.name", "groups.id", "groups.name")
    rows.group_by(&:first).transform_values do |found|
      found.filter_map { |_list, person, group, name| person || (name if viewer.active_member? || viewer.subject.groups.include?(group)) }.sort
    end
  end

  # @return [Hash{Page=>Array(Symbol|Integer, Integer)}] whom each is open to (Zuhause::Access::Audience#name), and how many guests are
  #   among them
  def audiences_of(pages)
    Openness.of(pages, viewer)
  end

  # @return [Hash{Page=>OpenedSince::Told}] of lists of what is open to guests or to anyone, as far as the viewer is a member
  def opened_since(pages)
    %w[guests anyone].include?(filter) && viewer.active_member? ? OpenedSince.of(pages, to: filter) : {}
  end

  # @return [Hash{Integer=>Integer}] how often each has been read
  def reads_of(pages)
    Reading.where(page_id: pages.map(&:id)).group(:page_id).sum(:times)
  end

  # @return [Set<Integer>] ids of those pages in the bin that can go back to where they stood
  def returning(pages)
    kept = Page.kept.where(id: pages.filter_map(&:parent_id)).ids.to_set
    pages.select { |page| page.parent_id.nil? || kept.include?(page.parent_id) }.to_set(&:id)
  end

  private

  def person
    viewer.person
  end

  def seen
    Page.seen_by(viewer)
  end

  def all
    seen
  end

  def written
    seen.where(author: person).or(seen.where(id: Edition.where(author: person).select(:page_id))).or(seen.where(id: Draft.where(author: person).select(:page_id)))
  end

  def kept
    seen.giving(viewer, :keep)
  end

  # Given to this person or one of their groups on the page itself.
  def shared
    given = AccessGrant.where(person: person).or(AccessGrant.where(group_id: viewer.subject.groups)).where.not(page: nil)
    seen.where(id: given.select(:page_id)).where.not(author: person)
  end

  # Open to a guest or more, or to anyone.
  def guests
    seen.where.not(edition_id: nil).where(access_list_id: OpenTo.guests)
  end

  def anyone
    seen.where.not(edition_id: nil).where(access_list_id: OpenTo.anyone)
  end

  def read
    seen.where(id: Reading.where(person: person).select(:page_id))
  end

  # Published anew since this person read them last, small changes apart.
  def changed
    seen.where(id: Page.joins(:readings, :edition).where(readings: { person_id: person.id }, editions: { small: false }).where("editions.published_at > readings.read_at").select(:id))
  end

  def drafts
    seen.giving(viewer, :write).unpublished
  end

  def aside
    seen.where(id: PutAside.pages)
  end

  def bin
    Page.in_bin_of(viewer).bin_roots
  end

  def in_order(found)
    case sort || { "read" => "last_read", "changed" => "changed", "bin" => "binned" }.fetch(filter, "title")
    when "changed" then found.order(Arel.sql("COALESCE((SELECT published_at FROM editions WHERE editions.id = pages.edition_id), pages.created_at) DESC"), :id)
    when "keeper" then found.order(Arel.sql(Page.sanitize_sql([ FIRST_KEEPER, { known: Group.known_to(viewer).ids, day: House.today } ])), Arel.sql("pages.title COLLATE NOCASE"), :id)
    when "reads" then found.order(Arel.sql("(SELECT SUM(times) FROM readings WHERE readings.page_id = pages.id) DESC NULLS LAST"), :id)
    when "last_read" then found.joins(:readings).where(readings: { person_id: person.id }).order("readings.read_at DESC")
    when "binned" then found.order(binned_at: :desc, id: :desc)
    else found.order(Arel.sql("pages.title COLLATE NOCASE"), :id)
    end
  end

  FIRST_KEEPER = <<~SQL.squish
    (SELECT MIN(COALESCE(people.name, groups.name)) FROM access_list_entries AS entries LEFT JOIN people ON people.id = entries.person_id
     LEFT JOIN groups ON groups.id = entries.group_id AND groups.id IN (:known)
     WHERE entries.access_list_id = pages.access_list_id AND entries.level = 4 AND (entries.ends_on IS NULL OR entries.ends_on >= :day)) COLLATE NOCASE NULLS LAST
  SQL
  private_constant :FIRST_KEEPER
end
