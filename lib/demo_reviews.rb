# Loads what is looked over in the demo house, from demo/reviews.yml.
class DemoReviews
  # @param entries [Hash] as the file holds them
  # @param people [Hash{String=>Person}] by their keys
  # @param groups [Hash{String=>Group}] by their names
  def initialize(entries, people, groups)
    @entries, @people, @groups = entries, people, groups
  end

  def load
    @entries[:rules].each { |entry| ask_for(entry) }
    @entries[:drafts].each { |entry| draft(entry) }
    @entries[:timed].each { |entry| page(entry).then { |page| page.publish_later(due_at: monday, version: page.draft.version, by: by(entry), note: entry[:note]) } }
    @entries[:aside].each { |entry| PutAside.put(page(entry), by: by(entry), reason: entry[:reason], at: at(entry[:days_ago])) }
    @entries[:taken_back].each { |entry| take_back(entry) }
    @entries[:absences].each { |entry| go_away(entry) }
  end

  private

  def ask_for(entry)
    rule = ReviewRule.of(page(entry))
    rule.set(people: [], groups: entry[:groups].map { |name| @groups.fetch(name) }, prompt: entry[:prompt], remind_after: entry[:remind_after], by: page(entry).author) || raise(ActiveRecord::RecordInvalid, rule)
  end

  def draft(entry)
    page = write(entry)
    page.ask_for_review(by: by(entry), note: entry[:note], at: at(entry[:asked_days_ago]), **(entry[:on_monday] ? { afterwards: "at_time", publish_at: monday, edition_note: entry[:on_monday] } : {}))
    entry[:approved]&.then { |told| page.approve(version: page.draft.version, by: by(told), at: at(told[:days_ago])) }
    entry[:sent_back]&.then { |told| page.send_back(reason: told[:reason], by: by(told), at: at(told[:days_ago])) }
  end

  # Other words in the draft.
  def write(entry)
    page = page(entry)
    markdown = page.to_markdown
    raise "#{page.title} does not say: #{entry[:from]}" unless markdown.include?(entry[:from])

    document = Zuhause::Changes.carry_ids(page.draft.document, Zuhause::Markup::MarkdownReader.read(markdown.sub(entry[:from], entry[:to])).doc)
    page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: by(entry), at: at(entry[:days_ago]))
    page
  end

  def take_back(entry)
    page = write(entry)
    edition = page.publish(version: page.draft.version, by: by(entry), note: entry[:note], at: at(entry[:days_ago]))
    entry[:read_by].each { |key| Reading.record(page, by: @people.fetch(key), at: at(entry[:days_ago]) + 1.hour) }
    page.retract(edition, reason: entry[:reason], by: by(entry), at: at(entry[:days_ago]) + 2.hours)
    page.discard_draft(version: page.draft.version, by: by(entry), at: at(entry[:days_ago]) + 2.hours)
  end

  def go_away(entry)
    from = Date.current + entry[:in_days]
    Absence.create!(person: @people.fetch(entry[:person]), deputy: @people.fetch(entry[:deputy]), starts_on: from, ends_on: from + entry[:days])
  end

  def monday
    Date.current.next_occurring(:monday).in_time_zone + 8.hours
  end

  def page(entry)
    Page.find_by!(public_id: entry[:page])
  end

  def by(entry)
    @people.fetch(entry.fetch(:by))
  end

  def at(days_ago)
    Time.current.beginning_of_day + 9.hours - days_ago.days
  end
end
