# Which pages somebody should look at, and why, as far as a viewer may know it: the reasons of Zuhause::Freshness::Reasons as queries,
# and the health of pages worked out from what they find. What is counted is what is listed.
class Care
  Reasons = Zuhause::Freshness::Reasons

  USED = %w[insert cite].to_h { |use| [ use, "\"references\".\"use\" = '#{use}' AND \"references\".stage = 'edition'" ] }.freeze
  private_constant :USED

  # @param viewer [Viewer]
  # @param pages [ActiveRecord::Relation<Page>, nil] of which; nil for all that the viewer reads
  # @param today [Date]
  def initialize(viewer, pages: nil, today: House.today)
    @viewer, @today, @within = viewer, today, pages
    @pages = Page.read_by(viewer).in_care
    @pages = @pages.where(id: pages.select(:id)) if pages
  end

  attr_reader :pages

  # @param name [Symbol] of Reasons::TABLE; or :near, for what is soon to be checked, or :changed, for sources and inserts together
  # @return [ActiveRecord::Relation<Page>]
  def pages_with(name)
    pages.where(send(name))
  end

  # @param some [Array<Page>] of those
  # @return [Hash{Integer=>Zuhause::Freshness::Health}] by id
  def healths(some)
    facts_of(some.map(&:id)).transform_values { |facts| Zuhause::Freshness::Health.new(facts, today: @today) }
  end

  # @param page [Page]
  # @return [Zuhause::Freshness::Health]
  def health(page)
    healths([ page ]).fetch(page.id)
  end

  # @return [Zuhause::Freshness::RoomHealth] of all of them
  def room_health
    Zuhause::Freshness::RoomHealth.new(facts_of(pages.ids).values.map { |facts| Zuhause::Freshness::Health.new(facts, today: @today) })
  end

  private

  attr_reader :viewer

  def kept_lists
    @kept_lists ||= KeptLists.ids(viewer)
  end

  # When a day that is so many months ago began.
  def unread_since
    (@today << Reasons::UNREAD).in_time_zone(Time.zone_default) + 1.day
  end

  # For which pages each holds, as conditions.

  def overdue
    of_rows(CheckDate.overdue(@today))
  end

  def near
    of_rows(CheckDate.near(@today))
  end

  def outdated
    of_rows(OutOfDateMark)
  end

  def unkept
    Page.arel_table[:access_list_id].in((viewer.list_ids(:read) - kept_lists).to_a)
  end

  def unread
    lately = Reading.where("readings.page_id = pages.id").where(read_at: unread_since..)
    of_rows(CheckDate.where(base_at: ...unread_since)).and(lately.arel.exists.not)
  end

  def sources
    of_rows(changed_sources)
  end

  def inserts
    of_rows(changed_inserts)
  end

  # Cites works, or shows pages, that have changed since.
  def changed
    among(Page.from("(#{changed_sources.select("\"references\".page_id AS id").to_sql} UNION #{changed_inserts.select("\"references\".page_id AS id").to_sql}) AS pages").select(:id))
  end

  def asked
    among(Page.from("(#{voices.to_sql}) AS pages").group(:id).having("COUNT(*) >= ?", Reasons::ASKED).select(:id))
  end

  def broken
    Page.arel_table[:id].in(broken_rows.map(&:first).uniq)
  end

  def gone
    of_rows(gone_addresses)
  end

  def passed
    of_rows(passed_days)
  end

  # @param rows [ActiveRecord::Relation] of what belongs to a page
  def of_rows(rows)
    among(rows.select(rows.arel_table[:page_id]))
  end

  # @param ids [ActiveRecord::Relation] that gives ids of pages
  def among(ids)
    Page.arel_table[:id].in(ids.arel)
  end

  # Rows that each reason is found by: of which page, and what.

  # Of a use that few references are of: they are found by an index of their own, which wants its condition in so many words.
  #
  # @param use [String] of {USED}
  def used(use)
    Reference.where(USED.fetch(use)).joins('CROSS JOIN check_dates ON check_dates.page_id = "references".page_id')
  end

  def changed_sources
    used("cite").from('sources CROSS JOIN "references" INDEXED BY index_references_cites').where('"references".target_id = sources.public_id').where("sources.updated_at > check_dates.base_at AND sources.updated_at <> sources.created_at")
  end

  # Shown live, and published anew since, small changes apart.
  def changed_inserts
    used("insert").from('"references" INDEXED BY index_references_inserts').where(target_kind: "page").joins('CROSS JOIN pages AS shown ON shown.public_id = "references".target_id')
             .where(viewer.reading(Page.arel_table.alias("shown")))
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
    @broken_rows ||= BrokenLinks.new(viewer, within: @within).rows_of_editions
  end

  def gone_addresses
    Reference.from('web_addresses CROSS JOIN "references"').from_editions.where(target_kind: "web").where("web_addresses.state = 'gone' AND \"references\".target_id = web_addresses.address")
  end

  def passed_days
    TextDate.joins("JOIN check_dates ON check_dates.page_id = text_dates.page_id").where(day: ...@today).where("text_dates.day >= check_dates.since")
  end

  # What is known of each, in a query for each kind.
  #
  # @param ids [Array<Integer>]
  def facts_of(ids)
    return {} if ids.empty? # no index can be asked for what is nothing

    counts, marks = counts_of(ids), of(OutOfDateMark, ids).pluck(:page_id).to_set
    read, days = of(Reading, ids).group(:page_id).maximum(:read_at), of(passed_days, ids).pluck(:page_id, :day).group_by(&:first)
    standing(ids).to_h do |id, list, due_on, since|
      [ id, Zuhause::Freshness::Facts.new(due_on, since, marks.include?(id), kept_lists.include?(list), read[id]&.then { |at| day(at) }, *counts.map { |found| found.fetch(id, 0) }, days[id]&.map(&:last) || []) ]
    end
  end

  # Of some thousand pages few days are told: each is read once.
  def standing(ids)
    days = Hash.new { |read, day| read[day] = day && Date.iso8601(day) }
    rows = of(CheckDate, ids).joins(:page).select("pages.id", "pages.access_list_id", :due_on, :since)
    CheckDate.connection.select_rows(rows.arel).map { |id, list, due_on, since| [ id, list, days[due_on], days[since] ] }
  end

  # @return [Array<Hash{Integer=>Integer}>] in the order of the facts
  def counts_of(ids)
    [ of(changed_sources, ids).group(:page_id).distinct.count(:target_id), of(changed_inserts, ids).group(:page_id).distinct.count(:target_id), of(open_questions, ids).group(:page_id).count,
      of(HelpAnswer.waiting, ids).group("help_answers.page_id").count, broken_rows.map(&:first).tally, of(gone_addresses, ids).group(:page_id).distinct.count(:target_id) ]
  end

  # Rows of those pages; as one list, since some thousand numbers each by itself would take longer than the query.
  def of(rows, ids)
    rows.where(Arel::Nodes::In.new(rows.arel_table[:page_id], Arel.sql("SELECT value FROM json_each(?)", JSON.generate(ids))))
  end

  def day(time)
    time.in_time_zone(Time.zone_default).to_date
  end
end
