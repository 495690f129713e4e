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
    report(%w[tune held].to_h { |set| [ set, Answered.new(FindingManuals::QUESTIONS.join("manuals_#{set}.txt"), person) { |name| FindingManuals.public_id(name) } ] })
  end
end
