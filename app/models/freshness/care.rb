# Which pages somebody should look at, and why, as far as a viewer may know it: the reasons of Zuhause::Freshness::Reasons as queries,
# and the health of pages worked out from what they find. What is counted is what is listed.
class Care
  Reasons = Zuhause::Freshness::Reasons

  include Rows

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
    pages.where(id: send(name))
  end

  # In one query for all of them.
  #
  # @param names [Array<Symbol>] as for {#pages_with}
  # @return [Hash{Symbol=>Integer}]
  def counts(names)
    found = Arel::Table.new(:found)
    all = pages.from(found_by(names).as("found")).joins("CROSS JOIN pages").where(Page.arel_table[:id].eq(found[:id]))
    names.zip(all.pick(*names.each_index.map { |i| Arel::Nodes::NamedFunction.new("TOTAL", [ found[:reason].eq(i) ]) })).to_h.transform_values(&:to_i)
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

  # Ids of the pages for which each holds.

  def overdue
    ids_of(CheckDate.overdue(@today))
  end

  def near
    ids_of(CheckDate.near(@today))
  end

  def outdated
    ids_of(OutOfDateMark.all)
  end

  def unkept
    Page.where(access_list_id: (viewer.list_ids(:read) - kept_lists).to_a).select(:id)
  end

  def unread
    lately = Reading.where("readings.page_id = check_dates.page_id").where(read_at: unread_since..)
    ids_of(CheckDate.where(base_at: ...unread_since).where(lately.arel.exists.not))
  end

  def sources
    ids_of(changed_sources)
  end

  def inserts
    ids_of(changed_inserts)
  end

  # Cites works, or shows pages, that have changed since.
  def changed
    Page.from("(#{sources.to_sql} UNION ALL #{inserts.to_sql}) AS pages").select(:id)
  end

  def asked
    Page.from("(#{voices.to_sql}) AS pages").group(:id).having("COUNT(*) >= ?", Reasons::ASKED).select(:id)
  end

  def broken
    Page.where(id: broken_rows.map(&:first).uniq).select(:id)
  end

  def gone
    ids_of(gone_addresses)
  end

  def passed
    ids_of(passed_days)
  end

  # Each page once for each reason; in the order in which pages lie, so that they are quickly read.
  def found_by(names)
    one_after_another(names.map { |name| send(name) }).project(:id, :reason).group(:id, :reason)
  end

  # @param rows [ActiveRecord::Relation] of what belongs to a page
  def ids_of(rows)
    rows.select(rows.arel_table[:page_id].as("id"))
  end

  # What is known of each: all that is told of some in one query, and for each its days.
  #
  # @param ids [Array<Integer>]
  def facts_of(ids)
    return {} if ids.empty? # no index can be asked for what is nothing

    told, read, broken = told_of(ids), read_of(ids), broken_rows.map(&:first).tally
    standing(ids).to_h do |id, list, due_on, since|
      of_page = told.transform_values { |found| found.fetch(id, []) }
      sources, inserts, questions, unhelped, gone = of_page.values_at(:sources, :inserts, :questions, :unhelped, :gone).map(&:size)
      [ id, Zuhause::Freshness::Facts.new(due_on, since, of_page[:outdated].any?, kept_lists.include?(list), read[id], sources, inserts, questions, unhelped, broken.fetch(id, 0), gone, of_page[:days].map { |day| dates[day] }) ]
    end
  end

  # Of some thousand pages few days are told: each is read once.
  def dates
    @dates ||= Hash.new { |read, day| read[day] = day && Date.iso8601(day) }
  end

  def standing(ids)
    rows = of(CheckDate, ids).joins(:page).select("pages.id", "pages.access_list_id", :due_on, :since)
    CheckDate.connection.select_rows(rows.arel).map { |id, list, due_on, since| [ id, list, dates[due_on], dates[since] ] }
  end

  # @return [Hash{Integer=>Date}] when each was read last
  def read_of(ids)
    rows = of(Reading, ids).group(:page_id).select(:page_id, "unixepoch(MAX(readings.read_at))")
    Reading.connection.select_rows(rows.arel).to_h { |id, at| [ id, Time.zone_default.at(at).to_date ] }
  end

  # @return [Hash{Symbol=>Hash{Integer=>Array}}] of each kind by page
  def told_of(ids)
    kinds = { outdated: [ OutOfDateMark.all, :page_id ], days: [ passed_days, :day ], sources: [ changed_sources, :target_id ], inserts: [ changed_inserts, :target_id ],
              questions: [ open_questions, :id ], unhelped: [ HelpAnswer.waiting, :id ], gone: [ gone_addresses, :target_id ] }
    each = kinds.values.map { |rows, what| of(rows, ids).distinct.select(rows.arel_table[:page_id].as("id"), rows.arel_table[what].as("what")) }
    found = Page.connection.select_rows(one_after_another(each).project(:reason, :id, :what)).group_by(&:first)
    kinds.keys.each_with_index.to_h { |kind, i| [ kind, found.fetch(i, []).each_with_object({}) { |(_i, id, what), of_kind| (of_kind[id] ||= []) << what } ] }
  end

  def of(rows, ids)
    rows.where(rows.any_of(rows.arel_table[:page_id], ids))
  end

  # What several relations find, in one query: each row with the place of its relation among them, as its reason.
  #
  # @param relations [Array<ActiveRecord::Relation>] with columns of the same names
  # @return [Arel::SelectManager] from the table "one"
  def one_after_another(relations)
    each = relations.each_with_index.map { |rows, i| Arel::SelectManager.new(rows.arel.as("rows")).project(Arel.sql("rows.*"), Arel.sql(i.to_s).as("reason")).ast }
    Arel::SelectManager.new(Arel::Nodes::TableAlias.new(each.reduce { |some, more| Arel::Nodes::UnionAll.new(some, more) }, "one"))
  end
end
