# All that somebody can open, by room, with why: as far as whoever asks may know. Administrators are told how many pages of which
# rooms, keepers what they keep; titles only what they see themselves.
class Reach
  TITLES = 10 # of pages that are told, in one room for one reason

  # +grant+ is what gives it, in the list that the pages have; +pages+ how many; +titled+ some of those that the asker sees.
  Row = Struct.new(:grant, :level, :pages, :titled, keyword_init: true)

  attr_reader :person

  # @param person [Person]
  # @param viewer [Viewer] who asks
  def initialize(person, viewer)
    @person, @viewer = person, viewer
    @theirs = Viewer.new(person)
  end

  # @return [Hash{Room=>Array<Row>}] the highest level first; rooms of one's own only where the asker sees them
  def by_room
    @by_room ||= begin
      rows = pages.group(:room_id, :access_list_id).count.group_by { |(room, _list), _count| room }
      rooms = Room.where(id: rows.keys).in_order.select { |room| room.owner_id.nil? || @viewer.level_on(room) != :none }
      rooms.index_with { |room| rows_of(room, rows.fetch(room.id).to_h { |(_room, list), count| [ list, count ] }) }
    end
  end

  # @return [Integer]
  def count
    by_room.values.flatten.sum(&:pages)
  end

  private

  # What the person sees, of all the house for administrators, else of what the asker keeps.
  def pages
    seen = Page.kept.seen_by(@theirs)
    @viewer.administrator? ? seen : seen.where(id: Page.giving(@viewer, :keep).select(:id))
  end

  def rows_of(room, counts)
    reasons = counts.keys.group_by { |list| reason(lists.fetch(list)) }
    found = reasons.map { |(grant, level), those| Row.new(grant: grant, level: level, pages: counts.values_at(*those).sum, titled: titled(room, those)) }
    found.sort_by { |row| [ -Zuhause::Access::Level.rank(row.level), row.grant.holder.rank ] }
  end

  def titled(room, list_ids)
    first_titled.values_at(*list_ids.map { |list| [ room.id, list ] }).compact.flatten.sort_by { |page| [ page.ancestry, page.position ] }.first(TITLES)
  end

  # @return [Hash{Array(Integer, Integer)=>Array<Page>}] by room and list the first of those that the asker sees, all in one query
  def first_titled
    @first_titled ||= begin
      place = Arel.sql("pages.id, ROW_NUMBER() OVER (PARTITION BY pages.room_id, pages.access_list_id ORDER BY pages.ancestry, pages.position) AS place")
      numbered = pages.seen_by(@viewer).reorder(nil).select(place)
      Page.where(id: Page.unscoped.from(numbered, :pages).where("place <= ?", TITLES).select(:id)).group_by { |page| [ page.room_id, page.access_list_id ] }
    end
  end

  # @return [Array(Zuhause::Access::Grant, Symbol)] the most personal of those that give the highest level
  def reason(list)
    given = list.grants.filter_map { |grant| (level = @theirs.subject.effect(grant, @viewer.switches)&.first) && level != :none ? [ grant, level ] : nil }
    given.min_by { |grant, level| [ -Zuhause::Access::Level.rank(level), grant.holder.rank ] }
  end

  def lists
    @lists ||= AccessList.lists(pages.distinct.pluck(:access_list_id))
  end
end
