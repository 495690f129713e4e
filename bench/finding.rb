require_relative "answered_report"

# How well the demo house answers: questions that the weights were set with, those that were held back, and some by other names of pages.
class FindingBench
  include AnsweredReport

  FOLDER = Rails.root.join("bench/finding")

  def run
    DemoHouse.load unless House.current
    CountedPage.catch_up
    person = Person.find_by!(name: "Ida Karlow")
    pages = Page.read_by(Viewer.new(person))
    printf "%d pages, %d sections\n", pages.count, Section.where(page: pages).count
    report(%w[tune held named].to_h { |set| [ set, Answered.new(FOLDER.join("demo_#{set}.txt"), person) ] })
  end
end
