# Where somebody wants links to lead, from what they typed or chose: an address, a page's title, or a page that is not there yet.
class WantedTarget
  MOST = 8

  # @return [Zuhause::Links::Target, nil]
  attr_reader :target
  # @return [Symbol, nil] why there is none: :blank, :several, :unknown, :same
  attr_reader :problem
  # @return [Array<Page>] pages that could be meant
  attr_reader :choices

  # @param typed [String]
  # @param viewer [Viewer]
  # @param from [Zuhause::Links::Target] which it cannot be itself
  def initialize(typed, viewer, base_url:, from:)
    @typed, @viewer, @choices = typed.strip, viewer, []
    @target = find(base_url)
    @problem, @target = :same, nil if @target && @target.to_s == from.to_s
  end

  private

  def find(base_url)
    return refuse(:blank) if @typed.empty?

    given = Zuhause::Links::Target.parse(PageAddresses.new(base_url, @viewer).to_target(@typed))
    return given if given && (given.kind != :page || Page.seen_by(@viewer).exists?(public_id: given.value))

    by_title
  end

  def by_title
    named = Page.seen_by(@viewer).includes(:room).where("pages.title = ? COLLATE NOCASE", @typed).order(:id).limit(MOST).to_a
    return Zuhause::Links::Target.new(:page, named.first.public_id) if named.one?

    @choices = named.presence || alike
    refuse(named.any? ? :several : :unknown)
  end

  def alike
    Page.seen_by(@viewer).includes(:room).where("pages.title LIKE ?", "%#{Page.sanitize_sql_like(@typed)}%").order(:title).limit(MOST).to_a
  end

  def refuse(problem)
    @problem = problem
    nil
  end
end
