# Reviews in the large house: the queue of somebody who may approve three hundred of them, and a page while they are open. All of
# it is put in for as long as it is measured.
class ReviewBench
  OPEN = 300

  include Measuring

  def initialize(house)
    @house = house
  end

  def run
    Review.transaction do
      sign_in "p7@bench.example"
      floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
      page = Page.read_by(Viewer.new(approver)).order(:id).first
      measure("a page, no review open", floor) { visit "/p/#{page.to_param}" }
      fill
      measure("the reviewers' queue: #{Viewer.new(approver).reviewed_ids.size} waiting", floor) { visit "/reviews" }
      measure("a page, #{OPEN} reviews open", floor) { visit "/p/#{page.to_param}" }
      measure("one review", floor) { visit "/p/#{@under.first.to_param}/review" }
      raise ActiveRecord::Rollback
    end
  end

  private

  def approver
    @approver ||= Person.find_by!(email: "p7@bench.example")
  end

  def fill
    @under = Page.read_by(Viewer.new(approver)).where.not(author: approver).order(:id).limit(OPEN).to_a
    @under.map(&:room).uniq.each { |room| ReviewRule.of(room).tap { |rule| rule.save! && rule.approvers.create!(person: approver) } }
    now = Time.current
    Review.insert_all!(@under.map.with_index { |page, i| { page_id: page.id, asker_id: page.author_id, asked_at: now - i.hours } })
  end
end
