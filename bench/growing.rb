# What grows with use, on a house of its own: saves and a night, live inserts, people named, a list of fifty pages, copying.
class GrowingBench
  include Measuring

  def run
    House.create!(id: 1, name: "Growing")
    @people = Array.new(11) { |i| Person.create!(name: "Person #{i}", email: "g#{i}@bench.example", password: "under-the-eaves") }
    @ana = @people.first
    @room = Room.new(name: "Room", colour: "brick").tap { |room| room.open_for(@ana, open: true) }
    sign_in "g0@bench.example"
    floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
    inserts(floor)
    named
    lists(floor)
    copying
    flushing
    saves
  end

  private

  def page(title, markdown = "Text of #{title}.", above: @room)
    Page.begin(title: title, above: above, by: @ana).tap { |made| publish(made, markdown) }
  end

  def publish(page, markdown)
    saved = page.save_draft(State.new(title: page.draft.title, document: Zuhause::Markup::MarkdownReader.read(markdown).doc), base_version: page.draft.version, by: @ana)
    page.publish(version: saved.version, by: @ana)
  end

  def inserts(floor)
    parts = Array.new(12) { |i| page("Part #{i}", "# Part #{i}\n\n#{"words " * 200}") }
    [ 1, 12 ].each do |number|
      around = page("Around #{number}", parts.first(number).map { |part| "::: live_insert {page=\"#{part.public_id}\"}\n:::" }.join("\n\n"))
      measure("a page with #{number} live inserts", floor) { visit "/p/#{around.to_param}" }
    end
  end

  def named
    [ 1, 10 ].each do |number|
      words = @people[1, number].map { |person| "[x](mention:#{person.public_id})" }.join(" ")
      made = page("Naming #{number}")
      saved = made.save_draft(State.new(title: made.title, document: Zuhause::Markup::MarkdownReader.read(words).doc), base_version: made.draft.version, by: @ana)
      measure("publishing with #{number} newly named") { rolled_back { Page.find(made.id).publish(version: saved.version, by: @ana) } }
    end
  end

  def lists(floor)
    60.times { |i| page("Listed #{i}") }
    measure("a list of 50 pages", floor) { visit "/pages" }
  end

  def copying
    top = page("Top")
    59.times { |i| page("Below #{i}", "Back to [it](page:#{top.public_id}).", above: top) }
    longest = 0
    watch = ->(_name, from, to, _id, payload) { longest = [ longest, to - from ].max if payload[:outcome] == :commit }
    took = nil
    ActiveSupport::Notifications.subscribed(watch, "transaction.active_record") do
      work = top.reload.copy_by_work(to: @room, viewer: Viewer.new(@ana), title: "Copy", publish: true)
      took = time { work.run }
      raise work.problem.to_s unless work.reload.state == "done"
    end
    printf "copying 60 pages by work: %.0f ms in all; the longest transaction %.0f ms\n", took, longest * 1000
  end

  # What it costs that a save has reached the disk when it is answered.
  def flushing
    written = page("Flushed", "words " * 600)
    document = written.draft.document
    number = 0
    save = lambda do |*|
      changed = document.merge("content" => document["content"] + [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Save #{number += 1}." } ] } ])
      written.save_draft(State.new(title: "Flushed", document: changed), base_version: written.reload.draft.version, by: @ana)
    end
    connection = ApplicationRecord.connection.tap(&:verify!).raw_connection
    normal = %w[normal full].map { |level| (connection.synchronous = level) && measure("a save, synchronous=#{level}", &save) }.first
    measure("the same again", normal, &save)
  end

  def saves
    written = page("Written", "words " * 600)
    document = written.draft.document
    before = stored(written)
    300.times do |i|
      changed = document.merge("content" => document["content"] + [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Save #{i}." } ] } ])
      written.save_draft(State.new(title: "Written", document: changed), base_version: written.draft.version, by: @ana, at: Time.current - ((300 - i) * 3).seconds)
    end
    kept = Draft.where(page: written).count
    after = stored(written)
    Page.thin_all_states(now: 1.day.from_now)
    printf "300 saves of a page of 600 words in 15 minutes: %d states, %.1f kB of texts (%.1f kB before); after a night %d states, %.1f kB\n", kept, after, before, Draft.where(page: written).count, stored(written)
  end

  def stored(page)
    Text.where(page: page).sum("length(body)") / 1000.0
  end
end
