# What the people of the demo house follow, what they have been told, and how they want it, from demo/news.yml.
class DemoNews
  # @param entries [Hash] as the file holds them
  # @param people [Hash{String=>Person}] by their keys
  # @param groups [Hash{String=>Group}] by their names
  def initialize(entries, people, groups)
    @entries, @people, @groups = entries, people, groups
  end

  def load
    @entries[:settings].each { |entry| NewsSetting.create!(person: person(entry), **entry.except(:person)) }
    @entries[:follows].each { |entry| Follow.begin(person(entry), target(entry), below: entry[:below]) }
    notices = @entries[:notices].to_h { |entry| [ Notice.give(page(entry), to: @groups.fetch(entry[:group]), words: entry[:words], by: @people.fetch(entry[:by]), at: entry[:hours_ago].hours.ago), entry[:looked] ] }
    @entries[:said].each { |entry| Remark.say(target(entry), kind: "line", body: entry[:words], by: @people.fetch(entry[:by]), at: entry[:hours_ago].hours.ago) }
    @entries[:given].each { |entry| give(entry) }
    tell
    notices.each { |happening, looked| looked.each { |key| Telling.looked_at(happening.page_id, @people.fetch(key).id) } }
    send_letters
  end

  private

  def give(entry)
    holder, level = Zuhause::Access::Holder.new(:person, person(entry).id), entry[:level].to_sym
    page(entry).then { |page| page.record_access(:given, by: @people.fetch(entry[:by]), exposure: nil, holder: holder, level: level, at: entry[:hours_ago].hours.ago) { page.grant(holder, level) } }
  end

  # As if it had been told when it happened; what is older has been looked at.
  def tell
    since, seen_until = @entries[:told_since_days].days.ago, @entries[:seen_until_days].days.ago
    Happening.where(created_at: since..).order(:created_at, :id).includes(:person, :page, :room).each { |happening| TellsNews.tell(happening, by_mail: false) if Zuhause::Telling::Reasons.of(happening.act).any? }
    Telling.where(happening_id: Happening.where(created_at: ...seen_until).select(:id)).update_all("seen_at = created_at")
  end

  # The letter of this morning, with what was told since yesterday's.
  def send_letters
    waiting = Telling.unseen.where(reason: %w[keeping following], happening_id: Happening.where(created_at: 3.days.ago..).select(:id))
    waiting.where(person: Person.active).where.not(person_id: NewsSetting.select(:person_id)).update_all(mail_at: Time.current)
    Letter.send_due(now: Time.current)
  end

  def person(entry)
    @people.fetch(entry[:person])
  end

  def page(entry)
    Page.find_by!(public_id: entry[:page])
  end

  def target(entry)
    entry[:page] ? page(entry) : Room.all.find { |room| room[:name] == entry[:room] } || raise(ActiveRecord::RecordNotFound, entry[:room])
  end
end
