# Reviews in the large house: the queue of somebody who may approve three hundred of them, and a page while they are open; and who
# wrote what of a page with five hundred editions. All of it is put in for as long as it is measured.
class ReviewBench
  OPEN = 300
  EDITIONS = 500

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
      history(floor)
      raise ActiveRecord::Rollback
    end
  end

  private

  def history(floor)
    written = nil
    Happening.quietly { written = with_history }
    measure("a page of #{EDITIONS} editions", floor) { visit "/p/#{written.to_param}" }
    measure("its history", floor) { visit "/p/#{written.to_param}/editions" }
    measure("who wrote what of it", floor) { visit "/p/#{written.to_param}/written-by" }
    edited = written.draft.state.with(document: reworded(written.draft.document, 7))
    measure("carrying it along with a save", floor) { Zuhause::Attribution.carry(written.draft.document, Attribution.of(written, "draft").runs, edited.document, source: [ 1, nil ]) }
  end

  # Written by several, a paragraph each time.
  def with_history
    room = @under.first.room
    people = Person.order(:id).limit(6).to_a
    page = Page.begin(title: "Of many editions", above: room, by: approver)
    document = { "type" => "doc", "content" => Array.new(60) { |i| { "type" => "paragraph", "content" => [ { "type" => "text", "text" => words(40, i) } ] } } }
    page.save_draft(State.new(title: page.title, document: document), base_version: page.draft.version, by: approver)
    page.publish(version: page.draft.version, by: approver, small: true)
    (EDITIONS - 1).times do |i|
      page.save_draft(page.draft.state.with(document: reworded(page.draft.document, i)), base_version: page.draft.version, by: people[i % people.size])
      page.publish(version: page.draft.version, by: people[i % people.size], small: true)
    end
    page
  end

  def reworded(document, number)
    place = number % document["content"].size
    document.merge("content" => document["content"].each_with_index.map { |block, i| i == place ? block.merge("content" => [ { "type" => "text", "text" => "#{words(4, number)} #{Zuhause::Document::Text.of(block)}"[0, 320] } ]) : block })
  end

  WORDS = %w[salt grit ice ramp mate rope tide fog lamp keel deck stage winch bridge crew].freeze
  private_constant :WORDS

  def words(count, seed)
    random = Random.new(seed)
    Array.new(count) { WORDS[random.rand(WORDS.size)] }.join(" ")
  end

  def approver
    @approver ||= Person.find_by!(email: "p7@bench.example")
  end

  def fill
    @under = Page.read_by(Viewer.new(approver)).where.not(author: approver).order(:id).limit(OPEN).to_a
    @under.map(&:room).uniq.each { |room| ReviewRule.of(room).tap { |rule| rule.update!(small: true) && rule.approvers.create!(person: approver) } }
    now = Time.current
    Review.insert_all!(@under.map.with_index { |page, i| { page_id: page.id, asker_id: page.author_id, asked_at: now - i.hours } })
  end
end
