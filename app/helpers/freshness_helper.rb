# Whether pages are still true, in words and drawings.
module FreshnessHelper
  include DeskAddresses

  ICONS = { reviews: "list-checks", questions: "circle-help", proposals: "quote", notes: "message-square", unhelped: "megaphone", overdue: "calendar-clock", near: "calendar-clock", outdated: "history", passed: "calendar-clock",
            changed: "link", unread: "eye", unkept: "user", scheduled: "calendar-clock", unfinished: "pencil", promised: "pencil", broken: "triangle-alert", addresses: "globe", loose: "signpost", names: "tag" }.freeze
  MENDED_BY = { edit: :edit?, check: :check?, outdate: :outdate?, put_aside: :put_aside?, bin: :bin? }.freeze

  def desk_icon(name)
    ICONS.fetch(name)
  end

  def desk_list_path_for(name, scope)
    desk_list_address(name, :path, scope.to_params)
  end

  # @param scope [DeskScope]
  def desk_scope_words(scope)
    t("desks.show.told.#{scope.of}", name: scope.room&.name || scope.person&.name)
  end

  # Lists whose pages may leave them by being called still correct.
  def desk_checked_off?(list)
    %i[overdue near passed changed unread].include?(list.name)
  end

  # @param reason [Symbol] of Zuhause::Freshness::Reasons::TABLE
  # @return [Symbol, nil] the list of the desk that its pages are in
  def desk_list_of(reason)
    DeskList::Pages::REASONS.find { |_list, reasons| reasons.include?(reason) }&.first || { broken: :broken, gone: :addresses, asked: :unhelped }[reason]
  end

  # A row of windows, as many lit of ten as pages are in order; all only if all are.
  def facade_row(lacking, all)
    lit = lacking.zero? ? 10 : ((all - lacking) * 10.0 / all).floor
    tag.svg(safe_join(Array.new(10) { |i| window_pane(i * 16, i < lit) }), class: "windows", width: 160, height: 18, viewBox: "0 0 160 18", "aria-hidden": true)
  end

  # @return [Array<String>] what is told of a page in a list
  def desk_page_facts(list, page, items)
    return [ outdated_words(page.out_of_date_mark) ] if list.name == :outdated
    return [ t("checks.due_on", day: short_day(page.check_date.due_on)) ] if list.name == :near

    list.healths(items)[page.id].reasons.map { |reason| reason_words(reason) }
  end

  # What is called by in a list, and what is said of it, as plain text.
  def desk_title(list, item)
    case list.kind
    when :remark then item.page.title
    when :review, :draft then list.page_of(item).draft.title
    when :timed then item.title
    else list.page_of(item).title
    end
  end

  def desk_words(list, item, items)
    case list.kind
    when :page then strip_tags(desk_page_facts(list, item, items).join("; "))
    when :remark then [ (strip_tags(difference_words(item)) if item.kind == "proposal"), strip_tags(remark_short(item, list.told(items), 500)).presence ].compact.join("; ")
    when :draft then t("desks.lists.last_written", name: known_name(item.draft.author) || t("happenings.somebody"), day: short_day(item.draft.created_at))
    else list.words_of(item)
    end
  end

  # @param reason [Zuhause::Freshness::Health::Found]
  def reason_words(reason)
    t("health.reasons.#{reason.name}", count: reason.count.to_i, day: reason.on ? short_day(reason.on) : t("health.never"))
  end

  # What would mend it, of what the viewer may do: links and buttons beside, or who can.
  def mending_words(reason, page)
    able = reason.mends.select { |act| (asked = MENDED_BY[act]) ? policy(page).public_send(asked) : true }
    able = reason.mends if able.empty?
    t("health.mends", acts: able.map { |act| t("health.acts.#{act}") }.to_sentence(two_words_connector: t("health.or"), last_word_connector: t("health.or")))
  end

  # @param mark [OutOfDateMark]
  # @return [String] what is told of it, without its page
  def outdated_words(mark)
    see = mark.see_for(viewer)
    safe_join([ (t("out_of_date.see_html", page: link_to(see.title, page_path(see))) if see), mark.words.presence ].compact, " ")
  end

  # By when a page is to be checked, as the facts line tells it.
  def check_fact(date)
    return [ t("checks.unset"), t(date.confirmed? ? "checks.since" : "checks.since_first", day: short_day(date.since)) ] unless date.due_on
    return [ t("checks.overdue"), t("checks.overdue_since", day: short_day(date.due_on)) ] if date.over?

    [ t("checks.by"), t("checks.by_day", day: short_day(date.due_on)) ]
  end

  # @param months [Integer, nil]
  def interval_words(months)
    return t("check_rules.never") if months.nil?

    months % 12 == 0 ? t("check_rules.years", count: months / 12) : t("check_rules.months", count: months)
  end

  # The windows of a page: one for each thing it is looked at for, lit where that is in order, shuttered where not.
  #
  # @param health [Zuhause::Freshness::Health]
  def page_windows(health)
    windows(Zuhause::Freshness::Reasons::ASPECTS.map { |aspect| [ aspect, health.in_order?(aspect) ] }, label: health.well? ? t("health.well") : t("health.unwell", reasons: health.reasons.map { |reason| reason_words(reason) }.to_sentence))
  end

  # @param aspects [Array<Array(Symbol, Boolean)>] each with whether it is in order
  def windows(aspects, label:)
    panes = aspects.each_with_index.map { |(aspect, in_order), i| window_pane(i * 16, in_order, title: "#{t("health.aspects.#{aspect}")}: #{t(in_order ? "health.fine" : "health.care")}") }
    tag.svg(safe_join(panes), class: "windows", width: aspects.size * 16, height: 18, viewBox: "0 0 #{aspects.size * 16} 18", role: "img", "aria-label": label)
  end

  private

  # A lit window with its cross, or one whose shutters are closed.
  def window_pane(left, lit, title: nil)
    frame = tag.rect(x: left + 1, y: 1, width: 12, height: 16, rx: 1, class: lit ? "pane-lit" : "pane-shut")
    inside = lit ? tag.path(d: "M#{left + 7} 1v16M#{left + 1} 8h12") : tag.path(d: "M#{left + 3} 5h8M#{left + 3} 8h8M#{left + 3} 11h8M#{left + 3} 14h8")
    tag.g(safe_join([ (tag.title(title) if title), frame, inside ].compact))
  end
end
