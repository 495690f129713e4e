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
    return "" unless work.state == "done" && work.result && viewer.sees?(work.result)

    link_to(t("works.show.look"), page_path(work.result), class: "button button-main")
  end
end
