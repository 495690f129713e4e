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
    end
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
    nest(rows)
    rows.each_slice(200) { |slice| publish(slice, now) }
  end

  def page_row(room, public_id, index, now)
    { public_id: public_id, room_id: room.id, ancestry: "/", position: index + 1, title: "Page #{index} #{words(3)}", access_list_id: room.access_list_id, author_id: @person_ids.first, created_at: now, updated_at: now }
  end

  # Twenty at the top, the others below a page before them.
  def nest(rows)
    rows.each_with_index do |row, i|
      next if i < 20

      above = rows[i / 20]
      row.update_columns(ancestry: "#{above.ancestry}#{above.id}/")
    end
  end

  def publish(rows, now)
    documents = rows.to_h { |row| [ row.id, document ] }
    common = ->(row) { { page_id: row.id, title: row.title, document: documents[row.id], author_id: @person_ids.first } }
    Draft.insert_all!(rows.map { |row| common.call(row).merge(version: 1, base_version: 0, save_id: "bench", new_ids: {}, created_at: now) })
    Edition.insert_all!(rows.map { |row| common.call(row).merge(number: 1, draft_version: 1, published_at: now) })
    Page.where(id: rows).update_all("draft_id = (SELECT id FROM drafts WHERE page_id = pages.id), edition_id = (SELECT id FROM editions WHERE page_id = pages.id)")
    rows.each do |row|
      Section.record(row, row.title, documents[row.id])
      Reference.record(row, :edition, documents[row.id])
    end
  end

  # Median 600 words under five headings, with ten links.
  def document
    size = (600 * Math.exp(@random.rand(-1.2..1.2))).to_i / 5
    markdown = Array.new(5) { |i| "# Heading #{i} #{words(2)}\n\n#{words(size)} [link](page:#{link_target}) [other](page:#{link_target})" }.join("\n\n")
    Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read(markdown).doc, random: @random).doc
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
