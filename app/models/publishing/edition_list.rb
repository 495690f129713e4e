# A page's history as one viewer may look at it: its editions, newest first, of one person, of some days, with small ones or
# without.
class EditionList
  DAY = /\A\d{4}-\d\d-\d\d\z/

  attr_reader :page, :person, :since, :until

  # @param params [Hash] by: a person's public id; since, until: days; small: "0" leaves small changes out
  def initialize(page, viewer, params)
    @page, @viewer = page, viewer
    @person = params[:by].presence && viewer.signed_in? ? Person.find_by(public_id: params[:by].to_s)&.then { |found| found if viewer.meets?(found) } : nil
    @since, @until = day(params[:since]), day(params[:until])
    @small = params[:small] != "0"
  end

  def small?
    @small
  end

  def narrowed?
    !small? || [ person, since, self.until ].any?
  end

  # @return [ActiveRecord::Relation<Edition>]
  def editions
    found = seen.newest_first.includes(:author, :retraction)
    found = found.where(author: person).or(found.where(id: EditionWriter.where(person: person).select(:edition_id))) if person
    found = found.where(published_at: @since.in_time_zone.beginning_of_day..) if @since
    found = found.where(published_at: ..@until.in_time_zone.end_of_day) if @until
    small? ? found : found.where(small: false)
  end

  # @return [Integer] the number of the oldest
  def oldest
    @oldest ||= seen.minimum(:number).to_i
  end

  # @return [Edition, nil] what readers saw at the end of that day
  def on(given)
    date = day(given) or return
    page.editions.standing.where(published_at: ..date.in_time_zone.end_of_day).newest_first.first
  end

  # @return [Array<Person>] whom one can choose by: of those the viewer meets
  def people
    return [] unless @viewer.signed_in?

    @people ||= begin
      authors, writers = seen.select(:author_id), EditionWriter.where(edition: seen).select(:person_id)
      Person.where(id: authors).or(Person.where(id: writers)).by_name.select(:id, :public_id, :name).to_a.select { |one| @viewer.meets?(one) }
    end
  end

  # What is told of editions besides, each in one query: names of those who wrote them besides who published, whose proposals
  # they took, and who approved them.
  #
  # @param editions [Array<Edition>]
  # @return [Hash{Integer=>Hash{Symbol=>Array<String>}}] by id
  def told(editions)
    return {} unless @viewer.signed_in?

    writers = EditionWriter.where(edition: editions).includes(:person).group_by(&:edition_id)
    proposals = Remark.where(edition: editions).includes(:author).group_by(&:edition_id)
    reviews = Review.where(edition: editions).includes(approvals: :person).index_by(&:edition_id)
    editions.to_h do |edition|
      with = names(writers.fetch(edition.id, []).map(&:person).reject { |one| one.id == edition.author_id })
      [ edition.id, { with: with, approved: names(reviews[edition.id]&.approvals.to_a.map(&:person)), credits: names(proposals.fetch(edition.id, []).filter_map(&:author)) } ]
    end
  end

  private

  def seen
    @page.editions_seen_by(@viewer)
  end

  def names(people)
    people.uniq.select { |one| @viewer.meets?(one) }.map(&:name)
  end

  def day(given)
    Date.iso8601(given) if given.to_s.match?(DAY)
  rescue Date::Error
    nil
  end
end
