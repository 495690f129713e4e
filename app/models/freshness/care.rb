# Which pages somebody should look at, and why, as far as a viewer may know it: the reasons of Zuhause::Freshness::Reasons as queries,
# and the health of pages worked out from what they find. What is counted is what is listed.
class Care
  Reasons = Zuhause::Freshness::Reasons

  # @param viewer [Viewer]
  # @param pages [ActiveRecord::Relation<Page>, nil] of which; nil for all that the viewer reads
  # @param today [Date]
  def initialize(viewer, pages: nil, today: House.today)
    @viewer, @today = viewer, today
    @pages = Page.read_by(viewer).in_care
    @pages = @pages.where(id: pages.select(:id)) if pages
  end

  attr_reader :pages

  # @param name [Symbol] of Reasons::TABLE
  # @return [ActiveRecord::Relation<Page>]
  def pages_with(name)
    send(name)
  end

  # @param some [Array<Page>] of those
  # @return [Hash{Integer=>Zuhause::Freshness::Health}] by id
  def healths(some)
    facts_of(some).transform_values { |facts| Zuhause::Freshness::Health.new(facts, today: @today) }
  end

  # @param page [Page]
  # @return [Zuhause::Freshness::Health]
  def health(page)
    healths([ page ]).fetch(page.id)
  end

  # @return [Zuhause::Freshness::RoomHealth] of all of them
  def room_health
    Zuhause::Freshness::RoomHealth.new(healths(pages.select(:id, :access_list_id, :created_at, :room_id, :ancestry, :edition_id).to_a).values)
  end

  private

  attr_reader :viewer

  # When a day that is so many months ago began.
  def unread_since
    (@today << Reasons::UNREAD).in_time_zone(Time.zone_default) + 1.day
  end

  def overdue
    pages.where(id: CheckDate.overdue(@today).select(:page_id))
  end

  def outdated
    pages.where(id: OutOfDateMark.select(:page_id))
  end

  def unkept
    pages.where.not(access_list_id: KeptLists.ids)
  end

  def unread
    pages.where(created_at: ...unread_since).where(id: CheckDate.where(base_at: ...unread_since).select(:page_id))
         .where.not(Reading.where("readings.page_id = pages.id").where(read_at: unread_since..).arel.exists)
  end

  def sources
    pages.where(id: changed_sources.select(:page_id))
  end

  def inserts
    pages.where(id: changed_inserts.select(:page_id))
  end

  def asked
    pages.where(id: Page.from("(#{voices.to_sql}) AS pages").group(:id).having("COUNT(*) >= ?", Reasons::ASKED).select(:id))
  end

  def broken
    pages.where(id: broken_rows.map(&:first).uniq)
  end

  def gone
    pages.where(id: gone_addresses.select(:page_id))
  end

  def passed
    pages.where(id: passed_days.select(:page_id))
  end

  # Rows that each reason is found by: of which page, and what.

  def cited
    Reference.from_editions.where(use: "cite").joins('JOIN check_dates ON check_dates.page_id = "references".page_id')
  end

  def changed_sources
    cited.joins('JOIN sources ON sources.public_id = "references".target_id').where("sources.updated_at > check_dates.base_at AND sources.updated_at <> sources.created_at")
  end

  # Shown live, and published anew since, small changes apart.
  def changed_inserts
    Reference.from_editions.where(use: "insert", target_kind: "page").joins('JOIN check_dates ON check_dates.page_id = "references".page_id')
             .joins('JOIN pages AS shown ON shown.public_id = "references".target_id').where("shown.id IN (?)", Page.read_by(viewer).select(:id))
             .where(Edition.where("editions.page_id = shown.id AND NOT editions.small AND editions.published_at > check_dates.base_at").arel.exists)
  end

  # Each a question without an answer, or a reader whom it did not help.
  def voices
    Page.from("(#{open_questions.select("remarks.page_id AS id").to_sql} UNION ALL #{HelpAnswer.waiting.select("help_answers.page_id AS id").to_sql}) AS pages").select(:id)
  end

  def open_questions
    Remark.kept.firsts.of_kind("question").where(standing: "open", draft: false).where.not(page_id: nil)
  end

  # @return [Array<Array(Integer, String)>] pages, and where their links lead and nothing is
  def broken_rows
    @broken_rows ||= BrokenLinks.new(viewer).rows_of_editions
  end

  def gone_addresses
    Reference.from_editions.where(target_kind: "web").joins('JOIN web_addresses ON web_addresses.address = "references".target_id').where(web_addresses: { state: "gone" })
  end

  def passed_days
    TextDate.joins("JOIN check_dates ON check_dates.page_id = text_dates.page_id").where(day: ...@today).where("text_dates.day >= check_dates.since")
  end

  # What is known of each, in a query for each kind.
  def facts_of(some)
    ids = some.map(&:id)
    counts = counts_of(ids)
    dates, marks = CheckDate.where(page_id: ids).index_by(&:page_id), OutOfDateMark.where(page_id: ids).pluck(:page_id).to_set
    read = Reading.where(page_id: ids).group(:page_id).maximum(:read_at)
    days = passed_days.where(page_id: ids).pluck(:page_id, :day).group_by(&:first)
    some.to_h do |page|
      date = dates[page.id]
      [ page.id, Zuhause::Freshness::Facts.new(due_on: date&.due_on, since: date&.since || day(page.created_at), outdated: marks.include?(page.id), kept: KeptLists.ids.include?(page.access_list_id),
                                              there_since: day(page.created_at), read_on: read[page.id]&.then { |at| day(at) }, days: days.fetch(page.id, []).map(&:last), **counts.transform_values { |of| of.fetch(page.id, 0) }) ]
    end
  end

  def counts_of(ids)
    { sources: changed_sources.where(page_id: ids).group(:page_id).distinct.count(:target_id), inserts: changed_inserts.where(page_id: ids).group(:page_id).distinct.count(:target_id),
      questions: open_questions.where(page_id: ids).group(:page_id).count, unhelped: HelpAnswer.waiting.where(page_id: ids).group("help_answers.page_id").count,
      broken: broken_rows.group_by(&:first).slice(*ids).transform_values(&:size), gone: gone_addresses.where(page_id: ids).group(:page_id).distinct.count(:target_id) }
  end

  def day(time)
    time.in_time_zone(Time.zone_default).to_date
  end
end
