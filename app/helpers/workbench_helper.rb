module WorkbenchHelper
  # The words that the editor says by itself, and how days are written.
  def workbench_words
    t("workbench.script").merge(day_format: t("date.formats.day_and_year"), months: t("date.abbr_month_names").drop(1), task_by: t("document.task.due", day: "%{day}"))
  end

  # What is asked of whoever publishes: of a page that nobody has read yet nothing has changed.
  def note_label(page)
    t(page.published? ? "pages.drafts.edit.note" : "pages.drafts.edit.first_note")
  end
end
