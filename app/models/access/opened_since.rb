# Since when pages are open to guests or to anyone, by whom and from where: of each page the widest grant that makes it so, and of those
# the oldest. Told from what was recorded; what lies further back than that is told by when it was given.
class OpenedSince
  # +at+: when; +by+: a person, nil where nobody knows any more; +place+: the page or room that it was given on.
  Told = Struct.new(:at, :by, :place, :holder, keyword_init: true)

  # @param pages [Array<Page>]
  # @param to [String] "guests" or "anyone"
  # @return [Hash{Page=>Told}]
  def self.of(pages, to:)
    new(pages, to).told
  end

  def initialize(pages, to)
    @pages, @to = pages, to
  end

  def told
    @pages.filter_map { |page| grant_of(page)&.then { |grant| [ page, tell(grant) ] } }.to_h
  end

  private

  # From where the page's access comes, up to the first own list.
  def grant_of(page)
    reach = [ page, *page.path_ids.reverse.drop(1).map { |id| above.fetch(id) } ]
    own = reach.index(&:own_list?)
    found = (own ? reach.first(own + 1) : reach).flat_map { |place| grants.fetch([ :page, place.id ], []) }
    found += grants.fetch([ :room, page.room_id ], []) unless own
    found.min_by { |grant| [ grant.for_anyone? ? 0 : 1, grant.created_at ] }
  end

  def above
    @above ||= Page.where(id: @pages.flat_map(&:path_ids).uniq).select(:id, :own_list, :title, :public_id).index_by(&:id)
  end

  # @return [Hash{Array=>Array<AccessGrant>}] those that open something, by where they stand
  def grants
    @grants ||= begin
      places = AccessGrant.where(page_id: above.keys).or(AccessGrant.where(room_id: @pages.map(&:room_id).uniq))
      places.where(id: opening.select(:id)).includes(:page, :room, :person, :group).reject(&:ended?).group_by { |grant| grant.page_id ? [ :page, grant.page_id ] : [ :room, grant.room_id ] }
    end
  end

  def opening
    anyone = House.current.public_addresses? ? AccessGrant.where(holder: "anyone") : AccessGrant.none
    return anyone if @to == "anyone"

    guests = Person.active.guest
    [ AccessGrant.where(person: guests), AccessGrant.where(group_id: Membership.where(person: guests).select(:group_id)) ].reduce(anyone, :or)
  end

  def tell(grant)
    happening = given[key(grant)]
    Told.new(at: happening&.created_at || grant.created_at, by: happening&.person, place: grant.place, holder: grant)
  end

  # @return [Hash{Array=>Happening}] the latest that gave or changed it, by where and to whom
  def given
    @given ||= begin
      all = grants.values.flatten
      found = Happening.where(act: %w[given changed]).where(page_id: all.filter_map(&:page_id)).or(Happening.where(act: %w[given changed], page_id: nil, room_id: all.filter_map(&:room_id)))
      found.includes(:person).order(:created_at, :id).index_by { |happening| [ happening.page_id, (happening.room_id unless happening.page_id), happening.details["holder"] ] }
    end
  end

  def key(grant)
    holder = grant.for_person? ? "person:#{grant.person.public_id}" : grant.for_group? ? "group:#{grant.group.public_id}" : grant.holder
    [ grant.page_id, grant.room_id, holder ]
  end
end
