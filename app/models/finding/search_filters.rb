# What a search is narrowed to: a room, a tag, somebody who wrote it, a time or a day since which it was published, a language, and
# what pages have. What the viewer does not see counts for nothing.
class SearchFilters
  TIMES = { "week" => 7, "month" => 30, "year" => 365 }.freeze # days
  HAS = %w[tasks files questions].freeze
  STATES = %w[current aside].freeze
  NAMES = %i[room tag author time since language has state].freeze
  KNOWN = 500 # names of people that can be typed

  attr_reader :room, :tag, :author, :time, :since, :language, :has, :state

  class << self
    # Filters that stand in plain words in what was typed.
    #
    # @return [Zuhause::Finding::Typed] with values as they stand in an address
    def typed(text, viewer)
      room, tag, author = choices(viewer).values_at(:room, :tag, :author).map(&:to_h)
      Zuhause::Finding::Typed.new(text, today: Date.current, rooms: room, tags: tag, people: author)
    end

    # What can be chosen, of what the viewer sees and meets.
    #
    # @return [Hash{Symbol=>Array<Array(String, String)>}] by filter, names with values as they stand in an address
    def choices(viewer)
      viewer.kept_fetch([ :narrowing, viewer.person&.id, I18n.locale ], of: %i[people lists rooms pages tags]) do
        found = { room: Room.seen_by(viewer).in_order.map { |room| [ room.name, room.public_id ] }, tag: Tag.seen_by(viewer).by_name.limit(KNOWN).pluck(:name, :public_id) }
        found[:author] = Person.by_name.limit(KNOWN).pluck(:name, :public_id) if viewer.active_member?
        found[:language] = Page.read_by(viewer).where.not(language: nil).distinct.pluck(:language).sort.map { |language| [ Page::Looks::LANGUAGES.fetch(language, language), language ] }
        found
      end
    end
  end

  # @param params [Hash] public ids by name, a time of TIMES, a day, a language, one of HAS, one of STATES
  # @param published_after [Time, nil] only what has been published since
  def initialize(params, viewer, published_after: nil)
    @viewer, @published_after = viewer, published_after
    @room = params[:room].presence && Room.seen_by(viewer).find_by(public_id: params[:room].to_s)
    @tag = params[:tag].presence && Tag.seen_by(viewer).find_by(public_id: params[:tag].to_s)
    @author = params[:author].presence && viewer.signed_in? ? Person.find_by(public_id: params[:author].to_s) : nil
    @time = params[:time].presence_in(TIMES.keys)
    @since = day(params[:since])
    @language = params[:language].presence_in(Page::Looks::LANGUAGES.keys)
    @has = params[:has].presence_in(HAS)
    @state = params[:state].presence_in(STATES)
  end

  # @return [Hash{Symbol=>Object}] those that are set
  def set
    NAMES.index_with { |name| public_send(name) }.compact
  end

  def any?
    set.any?
  end

  # @return [Hash{Symbol=>String}] as they stand in an address
  def to_params
    set.transform_values { |value| value.respond_to?(:public_id) ? value.public_id : value.to_s }
  end

  # What stands in the practice room is found in that room alone.
  #
  # @param pages [ActiveRecord::Relation<Page>]
  def narrow(pages)
    pages = room ? pages.where(room: room) : pages.in_earnest
    pages = pages.where(id: tag.taggings.select(:page_id)) if tag
    pages = pages.where(id: Edition.standing.where(author: author).select(:page_id)).or(pages.where(id: Edition.standing.where(id: EditionWriter.where(person: author).select(:edition_id)).select(:page_id))) if author
    pages = pages.where(edition_id: Edition.where(published_at: from..)) if from
    pages = pages.where(edition_id: Edition.where(published_at: @published_after..)) if @published_after
    pages = pages.where(language: language) if language
    pages = state == "aside" ? pages.where(id: PutAside.select(:page_id)) : pages.where.not(id: PutAside.select(:page_id)) if state
    has ? pages.where(id: having) : pages
  end

  private

  def from
    since&.in_time_zone&.beginning_of_day || (time && TIMES.fetch(time).days.ago)
  end

  def having
    { "tasks" => Task.select(:page_id), "files" => PageFile.where(published: true).select(:page_id), "questions" => asked.select(:page_id) }.fetch(has)
  end

  # Questions are told to those who are signed in.
  def asked
    @viewer.signed_in? ? Remark.kept.firsts.of_kind("question").open_still.where(draft: false) : Remark.none
  end

  def day(given)
    Date.iso8601(given) if given.to_s.match?(EditionList::DAY)
  rescue Date::Error
    nil
  end
end
