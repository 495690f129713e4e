module WorksHelper
  # How far it is, in words; read out as it changes.
  def work_words(work)
    t("works.states.#{work.state}", done: work.done, total: work.total, reason: work.problem && t("works.problems.#{work.problem}"))
  end

  # What it is.
  def work_name(work)
    t("works.kinds.#{work.kind}", title: work.page && viewer.sees?(work.page) ? t("happenings.title", title: work.page.title) : t("happenings.closed.page"), count: work.total)
  end

  # The way to what came of it.
  def work_outcome(work)
    return render("works/mended", work: work) if work.kind == "mending" && work.state == "done"

    way = way_to_outcome(work) if work.state == "done"
    way ? link_to(t("works.show.look"), way, class: "button button-main") : ""
  end

  private

  def way_to_outcome(work)
    return page_path(work.result) if work.result && viewer.sees?(work.result)

    arrival = Arrival.find_by(work: work) if work.kind == "bringing_in"
    arrival_path(arrival, **{ page: (work.page.public_id if work.details["into_draft"] && work.page), above: work.details["above"] }.compact) if arrival
  end
end
