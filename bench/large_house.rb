# A large house for measuring: rows are put in directly, since making them one by one would take hours. What they hold is
# what the application's own code would have made.
class LargeHouse
  WORDS = Array.new(4000) { |i| "word#{i}" }.freeze

  def initialize(pages:, rooms: 40, people: 200, groups: 30, seed: 1)
    @pages, @rooms, @people, @groups = pages, rooms, people, groups
    @random = Random.new(seed)
  end

  def build
    ApplicationRecord.transaction do
      House.create!(id: 1, name: "Bench")
      make_people
      make_rooms
      @rooms.times { |room| make_pages(room) }
      make_history(Page.where(room: @room_rows.second).first)
    end
    CountedPage.catch_up
  end

  # The word of the titles and texts that about half of all sections hold, found by counting.
  def self.common_word
    total = Section.count
    WORDS.first(40).min_by { |word| (Section.connection.select_value(Section.sanitize_sql([ "SELECT COUNT(*) FROM section_index WHERE section_index MATCH ?", word ])).to_f / total - 0.5).abs }
  end

  # @return [Array(Hash, Hash)] two documents of 10,000 words, a hundred of which differ
  def self.long_documents
    words = Array.new(10_000) { |i| "w#{(i * 7919) % 3001}" }
    changed = words.dup.tap { |list| 100.times { |i| list[(i * 97) % list.size] = "changed" } }
    old, new = [ words, changed ].map { |list| Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read(list.each_slice(70).map { |slice| slice.join(" ") }.join("\n\n")).doc).doc }
    [ old, Zuhause::Changes.carry_ids(old, Zuhause::Document::Ids.strip(new)) ]
  end

  # A page with all below it, half of the largest room.
  def self.large_subtree
    room = Room.order(:id).first
    room.pages.order(:id).offset(room.pages.count / 2).first
  end

  # Half of the rooms are open to a group that a few do not belong to, and a guest reads twenty pages.
  def open_to_some
    return if Group.exists?(name: "Most of us")

    outside = Person.where(email: %w[p8@bench.example p9@bench.example]).ids
    most = Group.create!(name: "Most of us", people: Person.where.not(id: outside))
    Room.shared.order(:id).drop(2).each_slice(2).map(&:first).each do |room|
      room.grant(Zuhause::Access::Holder.new(:group, most.id), :read)
      room.grant(Zuhause::Access::Holder.everyone, :none)
    end
    guest = Person.create!(name: "Guest", email: "guest@bench.example", password: "under-the-eaves", role: "guest")
    Page.where(own_list: false, room: Room.order(:id).first).order(:id).last(19).push(Page.find(Edition.where(number: 501).pick(:page_id))).each { |page| page.grant(Zuhause::Access::Holder.new(:person, guest.id), :read) }
    CountedPage.catch_up
  end

  # @return [Array<Page>] three that the guest reads, the last with a long history
  def pages_of_guest
    pages = Page.where(id: AccessGrant.where(person: Person.find_by!(email: "guest@bench.example")).select(:page_id)).order(:id).to_a
    [ pages.last, pages[-2], Page.find(Edition.where(number: 501).pick(:page_id)) ]
  end

  # One room holds a tenth of all pages.
  def share(room)
    room.zero? ? @pages / 10 : (@pages - (@pages / 10)) / (@rooms - 1)
  end

  private

  def make_people
    password = Devise::Encryptor.digest(Person, "under-the-eaves")
    now = Time.current
    Person.insert_all!(Array.new(@people) { |i| { public_id: format("person%04d", i), name: "Person #{i}", email: "p#{i}@bench.example", encrypted_password: password, created_at: now, updated_at: now } })
    @person_ids = Person.order(:id).ids
    Array.new(@groups) { |i| Group.create!(name: "Group #{i}", people: Person.find(@person_ids.sample(8, random: @random))) }
  end

  def make_rooms
    keeper = Person.first
    @room_rows = Array.new(@rooms) { |i| Room.new(name: "Room #{i}", colour: "slate").tap { |room| room.open_for(keeper, open: true) } }
  end

  def make_pages(number)
    room, count, now = @room_rows[number], share(number), Time.current
    ids = Array.new(count) { |i| [ format("r%02dp%06d", number, i), i ] }
    Page.insert_all!(ids.map { |public_id, i| page_row(room, public_id, i, now) })
    rows = Page.where(room: room).order(:id).to_a
    nest(rows, number.zero? ? count / 2 : count)
    rows.each_slice(200) { |slice| publish(slice, now) }
    give_own_lists(room, rows)
  end

  def page_row(room, public_id, index, now)
    { public_id: public_id, room_id: room.id, ancestry: "/", position: index + 1, title: "Page #{index} #{words(3)}", access_list_id: room.access_list_id, author_id: @person_ids.first, created_at: now, updated_at: now }
  end

  # Twenty at the top, the others below a page before them; from +second+ on all stand below that one.
  def nest(rows, second)
    rows.each_with_index do |row, i|
      next if i < 20 || i == second

      above = i > second ? rows[second + ((i - second - 1) / 20)] : rows[i / 20]
      row.update_columns(ancestry: "#{above.ancestry}#{above.id}/")
    end
  end

  # Every twelfth page or so, kept by somebody and read by a group.
  def give_own_lists(room, rows)
    listed = rows.sample(rows.size * 8 / 100, random: @random)
    Page.where(id: listed).update_all(own_list: true)
    now = Time.current
    grants = listed.flat_map do |row|
      [ { holder: "person", person_id: @person_ids.sample(random: @random), group_id: nil, level: 4 }, { holder: "group", person_id: nil, group_id: Group.ids.sample(random: @random), level: 1 } ]
        .map { |grant| grant.merge(page_id: row.id, created_at: now, updated_at: now) }
    end
    AccessGrant.insert_all!(grants)
    Page.refresh_access_lists(room.pages.at_top, room.access_list.to_list)
  end

  def make_history(page)
    rows = Array.new(500) { |i| { page_id: page.id, number: i + 2, draft_version: nil, title: page.title, digest: page.edition.digest, author_id: @person_ids.sample(random: @random), note: "Change #{i}", published_at: Time.current } }
    Edition.insert_all!(rows)
    page.update!(edition: page.editions.find_by!(number: 501))
  end

  def publish(rows, now)
    states = rows.to_h { |row| [ row.id, State.new(title: row.title, document: document) ] }
    common = ->(row) { { page_id: row.id, title: row.title, digest: states[row.id].digest, author_id: @person_ids.first } }
    Text.insert_all!(rows.map { |row| { page_id: row.id, digest: states[row.id].digest, body: states[row.id].body } })
    Draft.insert_all!(rows.map { |row| common.call(row).merge(version: 1, base_version: 0, save_id: "bench", new_ids: {}, created_at: now) })
    Edition.insert_all!(rows.map { |row| common.call(row).merge(number: 1, draft_version: 1, published_at: now) })
    Page.where(id: rows).update_all("draft_id = (SELECT id FROM drafts WHERE page_id = pages.id), edition_id = (SELECT id FROM editions WHERE page_id = pages.id)")
    Page.where(id: rows).includes(:edition).each do |page|
      page.edition.state = states[page.id]
      [ Section, CheckDate, TextDate, Reference ].each { |follower| follower.follow_edition(page, page.edition) }
      page.draft.state = states[page.id]
      Reference.follow_draft(page, page.draft)
    end
  end

  SPREAD = Math.log(4000.0 / 600) / 1.645 # so that of sizes spread log-normally the 95th percentile is 4,000 words

  # Median 600 words under five headings, with ten links.
  def document
    size = (600 * Math.exp(SPREAD * normal)).to_i.clamp(10, 30_000) / 5
    markdown = Array.new(5) { |i| "# Heading #{i} #{words(2)}\n\n#{words(size)} [link](page:#{link_target}) [other](page:#{link_target})" }.join("\n\n")
    Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read(markdown).doc, random: @random).doc
  end

  # A normally distributed number (Box and Muller 1958).
  def normal
    Math.sqrt(-2 * Math.log(1 - @random.rand)) * Math.cos(2 * Math::PI * @random.rand)
  end

  def link_target
    room = @random.rand(@rooms)
    format("r%02dp%06d", room, @random.rand(share(room)))
  end

  # Some words are common, most are rare.
  def words(count)
    Array.new(count) { WORDS[(@random.rand**3 * WORDS.size).to_i] }.join(" ")
  end
end
