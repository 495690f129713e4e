# A house made by chance in which things happen, and a second statement of whom they are told, in the plainest words. Each page has a
# word of its own in its title, by which it is known wherever it is told of.
class ToldHouse
  include HouseBuilding

  WAYS = { published: %i[keeping following], restored: %i[keeping following], put_aside: %i[keeping following], taken_up: %i[keeping following],
           outdated: %i[keeping following], brought_up_to_date: %i[keeping following], check_ahead: %i[keeping], check_due: %i[keeping], check_late: %i[keeping],
           noted: %i[keeping following], proposed: %i[keeping following], asked: %i[keeping following], spoken: %i[keeping following],
           replied: %i[answered keeping following], answer_chosen: %i[answered], words_taken: %i[answered], words_declined: %i[answered], remark_settled: %i[answered],
           named: %i[named], addressed: %i[named], given: %i[access], notice_given: %i[notice] }.freeze
  LEVELS = %i[read comment write keep].freeze
  ACTS = %i[publish publish publish note ask reply reply settle choose choose speak give notice rename put_aside take_up outdate outdate bring_up check_soon name name propose take decline restore].freeze

  attr_reader :people, :pages

  def initialize(random)
    @random = random
    set_up_house
    @people = %w[Ana Ben Cem Dora Edo].map { |name| person("#{name} Berg") } + [ person("Gus Ro", role: "guest"), person("Sue Moor") ]
    @groups = { "Deck" => 3, "Yard" => 2 }.map { |name, size| group(name, *@people.sample(size, random: random)) }
    @rooms = %w[Ashore Aboard].map { |name| new_room(name, keeper: @people.first) }
    @rooms.each { |room| room.grant(holder(:everyone), %i[comment write].sample(random: random)) }
    @pages = []
    8.times { |i| @pages << new_page("Page #{word(i)}", above: [ *@rooms, *@pages ].sample(random: random), by: @people.first, publish: i < 6) }
    [ *@rooms, *@pages, *@pages ].each { |place| give(place, @people.first) if toss }
    shut(@pages.sample(random: random))
    follow
    @people.last.update!(suspended_at: Time.current)
  end

  def word(number)
    "quell#{("a".ord + number).chr}"
  end

  def word_of(page)
    word(@pages.index(page))
  end

  # Does something, if whoever would may.
  # @return [Array<Happening>] what came of it
  def act
    before = Happening.maximum(:id).to_i
    by, page = @people.first(6).sample(random: @random), @pages.sample(random: @random).reload
    send(ACTS.sample(random: @random), page, by) if Viewer.new(by).sees?(page)
    Happening.where(id: (before + 1)..).order(:id).to_a
  end

  # Closes a page, and all below it, to all but its keepers.
  def shut(page)
    page.reload.make_own_list(by: @people.first) unless page.own_list?
    page.reload.access_grants.to_a.each { |grant| page.reload.grant(grant.to_grant.holder, :none) unless grant.person_id == @people.first.id }
  end

  # @return [Hash{String=>String}] names of those who are told of a happening, each with the reason
  def told_of(happening)
    return {} unless happening.page || happening.room

    @people.each_with_object({}) do |person, told|
      next if person.reload.suspended? || person.id == happening.person&.id || !hears?(person, happening)

      reason = WAYS.fetch(happening.act.to_sym, []).find { |why| holds?(why, person, happening) }
      told[person.name] = reason.to_s if reason && !(happening.small? && %i[keeping following].include?(reason))
    end
  end

  private

  def toss
    @random.rand(2).zero?
  end

  def follow
    tag = Tag.find_or_create_by!(name: "ice")
    @pages.sample(3, random: @random).each { |page| page.tag_with([ "ice" ]) }
    @people.each do |person|
      @pages.sample(2, random: @random).each { |page| Follow.begin(person, page, below: toss) }
      Follow.begin(person, @rooms.sample(random: @random)) if toss
      Follow.begin(person, tag) if toss
      Follow.stop(person, @pages.sample(random: @random)) if toss
    end
  end

  # What is said to a draft, or asked of its reviewers, is heard by who sees it.
  def hears?(person, happening)
    viewer = Viewer.new(person)
    return viewer.level_on(happening.room) != :none unless happening.page

    page = happening.page.reload
    happening.details["draft"] ? viewer.sight_of(page) == :draft : viewer.sees?(page)
  end

  def holds?(why, person, happening)
    page, details = happening.page, happening.details
    said = details["remark"] && Remark.find_by(public_id: details["remark"])
    return why == :named && Array(details["people"]).include?(person.public_id) if %w[named addressed].include?(happening.act)
    return false if said && said.body.include?("@[#{person.public_id}]") || named_in?(said, person)

    case why
    when :answered then answered?(person, happening, said)
    when :access then details["holder"] == "person:#{person.public_id}"
    when :notice then notice?(person, details["to"])
    when :keeping then Viewer.new(person).level_on(page || happening.room) == :keep && !stopped?(person, page)
    when :following then follows?(person, page, happening.room) && !stopped?(person, page)
    end
  end

  def named_in?(said, person)
    said && Zuhause::Talk::Words.people(said.body).include?(person.public_id)
  end

  def answered?(person, happening, said)
    return false unless said

    first = said.parent || said
    case happening.act
    when "replied" then first.author == person || Remark.kept.where(parent: first).any? { |reply| reply.author == person }
    when "answer_chosen" then first.answer&.author == person
    else first.author == person
    end
  end

  def notice?(person, to)
    kind, id = to.to_s.split(":")
    kind == "group" ? Group.find_by!(public_id: id).people.include?(person) : Viewer.new(person).level_on(Room.find_by!(public_id: id)) != :none
  end

  def stopped?(person, page)
    page && Follow.exists?(person: person, page: page, stopped: true)
  end

  def follows?(person, page, room)
    all = Follow.where(person: person, stopped: false).to_a
    return all.any? { |follow| follow.room_id == room.id } unless page

    above = page.ancestors.to_a
    all.any? { |follow| follow.page == page || (follow.below? && above.include?(follow.page)) || follow.room_id == page.room_id || (follow.tag && page.tags.include?(follow.tag)) }
  end

  def may?(by, page, level)
    viewer = Viewer.new(by)
    viewer.active_member? && LEVELS.index(viewer.level_on(page)).to_i >= LEVELS.index(level) && viewer.level_on(page) != :none
  end

  def publish(page, by)
    return unless may?(by, page, :write)

    save_text(page, "Words #{@random.rand(1000)} of #{word_of(page)}.", by: by)
    page.publish(version: page.draft.version, by: by, small: @random.rand(4).zero?)
  end

  def name(page, by)
    return unless may?(by, page, :write)

    save_text(page, "Ask [](mention:#{@people.sample(random: @random).public_id}), #{@random.rand(1000)}, #{word_of(page)}.", by: by)
    page.publish(version: page.draft.version, by: by)
  end

  def note(page, by)
    return unless page.published? && may?(by, page, :comment)

    block = page.edition.document["content"].first.dig("attrs", "id")
    Remark.note(page, Remark::OnText::Pointed.new(stage: "edition", block: block, start: 0, length: 3), by: by, body: body)
  end

  def propose(page, by)
    return unless page.published? && may?(by, page, :comment)

    block = page.edition.document["content"].first.dig("attrs", "id")
    Remark.note(page, Remark::OnText::Pointed.new(stage: "edition", block: block, start: 0, length: 3), words: "Fewer #{@random.rand(9)}", by: by, body: "")
  end

  def take(page, by)
    proposal_on(page, by)&.then { |said| said.take(by: by) if said.fits? }
  end

  def decline(page, by)
    proposal_on(page, by)&.decline(by: by)
  end

  def proposal_on(page, by)
    Remark.kept.where(page: page, kind: "proposal", standing: "open").first if may?(by, page, :write)
  end

  def ask(page, by)
    Remark.say(page, kind: "question", body: body, by: by) if page.published? && may?(by, page, :comment)
  end

  def speak(page, by)
    Remark.say(page.room, kind: "line", body: body, by: by) if may?(by, page.room, :comment)
  end

  def body
    toss ? "Hm." : "Hm, @#{@people.sample(random: @random).name}?"
  end

  def remark_on(page, by)
    Remark.kept.firsts.where(page: page).to_a.sample(random: @random) if may?(by, page, :comment)
  end

  def reply(page, by)
    remark_on(page, by)&.reply(body, by: by)
  end

  def settle(page, by)
    remark_on(page, by)&.then { |said| said.settle(by: by) if said.kind != "proposal" && !said.done? && said.settled_by?(Viewer.new(by)) }
  end

  def choose(page, by)
    said = remark_on(page, by)
    answer = said && said.replies.kept.to_a.sample(random: @random)
    said.choose(answer, by: by) if answer && said.kind == "question" && !said.done?
  end

  def give(place, by)
    return unless may?(by, place, :keep)

    to = [ *@people.first(6), *@groups ].sample(random: @random)
    return if to == @people.first

    level = LEVELS.sample(random: @random)
    place.reload.record_access(:given, by: by, exposure: nil, holder: holder(to), level: level) { place.grant(holder(to), level) }
  end

  def notice(page, by)
    Notice.give(page, to: [ *@groups, page.room ].sample(random: @random), words: "Read it.", by: by) if page.published? && may?(by, page, :keep)
  end

  def restore(page, by)
    old = page.editions.order(:number).first
    page.put_back(old, by: by) if page.published? && page.edition != old && may?(by, page, :write)
  end

  def take_up(page, by)
    PutAside.find_by(page: page)&.end(by: by) if may?(by, page, :write)
  end

  def outdate(page, by)
    OutOfDateMark.put(page, by: by, see: @pages.sample(random: @random)) if page.published? && may?(by, page, :write)
  end

  def bring_up(page, by)
    page.out_of_date_mark&.end(by: by) if may?(by, page, :write)
  end

  # The house reminds of the page, and of whatever else comes up.
  def check_soon(page, by)
    CheckRule.of(page).set(1 + @random.rand(3), by: by) && page.published? && Reminding.run(page.reload.check_date.due_on - @random.rand(-20..20)) if may?(by, page, :keep)
  end

  def rename(page, by)
    page.rename("Page #{word_of(page)} #{@random.rand(100)}", by: by) if page.published? && may?(by, page, :write)
  end

  def put_aside(page, by)
    PutAside.put(page, by: by) if page.published? && may?(by, page, :write) && PutAside.of(page, Viewer.new(by)).nil?
  end
end
