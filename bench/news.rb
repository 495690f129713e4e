# Being told in the large house: the news of somebody who follows 2,000 pages, the latest changes and news over HAPPENINGS acts as a
# reader of all, of half of the rooms and as a guest, and publishing what 200 follow.
class NewsBench
  include Measuring

  HAPPENINGS = Integer(ENV.fetch("HAPPENINGS", "1000000"))

  def initialize(house)
    @house = house
  end

  def run
    @house.open_to_some
    reader = Person.find_by!(email: "p7@bench.example")
    ActiveRecord::Base.transaction do
      fill(reader)
      ActiveRecord::Base.connection.execute("ANALYZE")
      sign_in reader.email
      floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
      measure("news of who follows 2,000 pages (#{Telling.where(person: reader).count} tellings, #{Telling.where(person: reader).unseen.count} unseen)", floor) { visit "/news" }
      measure("all of their news", floor) { visit "/news?show=all" }
      { "all" => reader.email, "half of the rooms" => "p8@bench.example", "twenty pages, a guest" => "guest@bench.example" }.each do |who, email|
        clear_cookies
        sign_in email
        measure("latest changes, of a reader of #{who}", floor) { visit "/changes" }
        measure("news, of a reader of #{who}", floor) { visit "/news?show=all" }
      end
      publish_to_many
      raise ActiveRecord::Rollback
    end
  end

  private

  # Rows as the acts of some years would have left them, put in directly.
  def fill(reader)
    pages = Page.read_by(Viewer.new(reader)).order(:id).pluck(:id, :room_id, :public_id)
    followed = pages.sample(2000, random: Random.new(1))
    Follow.insert_all(followed.map { |id, _room, _key| { person_id: reader.id, page_id: id, created_at: Time.current } })
    from = Happening.maximum(:id).to_i
    HAPPENINGS.fdiv(5000).ceil.times { |i| Happening.insert_all(happenings(pages, i * 5000)) }
    tell(reader, followed.map(&:first), from)
    %w[p8@bench.example guest@bench.example].each { |email| Person.find_by!(email: email).then { |person| tell(person, Page.read_by(Viewer.new(person)).order(:id).limit(500).ids, from) } }
  end

  def happenings(pages, offset)
    Array.new(5000) do |i|
      id, room, key = pages[(offset + i) * 7919 % pages.size]
      { act: i % 4 == 3 ? "asked" : "published", page_id: id, room_id: room, subject: "page:#{key}", title: "Title", details: { edition: 1 }, small: (i % 5).zero?, who: "x", created_at: 3.years.ago + (offset + i).minutes }
    end
  end

  # Of the latest ten thousand on what they follow, the last tenth not looked at.
  def tell(person, page_ids, from)
    rows = Happening.where("id > ?", from).where(page_id: page_ids).order(id: :desc).limit(10_000).pluck(:id, :page_id, :created_at)
    rows.each_slice(5000) { |some| Telling.insert_all(some.map { |id, page, at| { happening_id: id, person_id: person.id, page_id: page, place: page, personal: false, happened_at: at, reason: "following", sight: "edition", created_at: Time.current } }) }
    Telling.where(person: person).where.not(happening_id: rows.first(rows.size / 10).map(&:first)).update_all(seen_at: Time.current)
  end

  def publish_to_many
    page = Page.read_by(Viewer.new(Person.find_by!(email: "p7@bench.example"))).where(room: Room.shared.order(:id).first).order(:id).first
    Person.limit(200).each { |person| Follow.begin(person, page) }
    happening = Happening.write(:published, page, by: page.author, edition: 1)
    seconds = Benchmark.realtime { TellsNews.tell(happening) }
    printf "publishing to %d followers: told in %.1f s\n", Telling.where(happening: happening).count, seconds
  end
end
