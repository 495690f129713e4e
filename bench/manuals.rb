require_relative "answered_report"
require_relative "finding_manuals"

# The same over foreign manuals, in a house of their own that is kept for the next run.
class ManualsBench
  include AnsweredReport

  def run
    manuals = FindingManuals.new
    manuals.fetch or abort("the packages of the manuals cannot be had: #{FindingManuals::PACKAGES.join(", ")}")
    manuals.load
    person = manuals.reader
    printf "%d pages, %d sections\n", Page.count, Section.count
    publishing(Person.first)
    report(%w[tune held].to_h { |set| [ set, Answered.new(FindingManuals::QUESTIONS.join("manuals_#{set}.txt"), person) { |name| FindingManuals.public_id(name) } ] })
  end

  private

  PUBLISHED = 15 # pages

  # A house that people wrote has far more words than one that was made by chance, and all that a page says is counted anew.
  def publishing(keeper)
    floor = time { Page.transaction { Page.where(id: Page.first.id).update_all(updated_at: Time.current) } }
    pages = Page.where.not(edition_id: nil).order(:id).to_a.sample(PUBLISHED, random: Random.new(1))
    times = pages.map do |page|
      elapsed = nil
      Page.transaction do
        document = page.draft.document
        page.save_draft(State.new(title: page.draft.title, document: document.merge("content" => document["content"].reverse)), base_version: page.draft.version, by: keeper)
        elapsed = time { page.reload.publish(version: page.draft.version, by: keeper) }
        raise ActiveRecord::Rollback
      end
      elapsed
    end
    printf "a page published anew, among %d words: median %.0f ms, worst %.0f ms, to a bare UPDATE %.0f×\n", Word.count, times.sort[times.size / 2], times.max, times.sort[times.size / 2] / floor
  end
end
