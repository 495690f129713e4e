# What is to be checked in the demo house, and what is said of it, from demo/freshness.yml.
class DemoFreshness
  # @param entries [Hash] as the file holds them
  # @param people [Hash{String=>Person}] by their keys
  def initialize(entries, people)
    @entries, @people = entries, people
  end

  def load
    @entries[:days].each { |entry| publish_with_day(entry) }
    @entries[:rules].each { |entry| CheckRule.of(place(entry)).set(entry[:months], by: by(entry)) || raise("no rule: #{entry}") }
    @entries[:checks].each { |entry| Check.say(page(entry[:page]), by: by(entry), note: entry[:note], at: at(entry)) }
    @entries[:out_of_date].each { |entry| OutOfDateMark.put(page(entry[:page]), by: by(entry), words: entry[:words], see: page(entry[:see]), at: at(entry)) }
    @entries[:sources].each { |entry| Source.find_by!(public_id: entry[:id]).update!(accessed_on: at(entry).to_date, updated_at: at(entry)) }
    @entries[:helped].each { |entry| HelpAnswer.give(page(entry[:page]), by: by(entry), helped: entry[:helped], words: entry[:words], at: entry[:hours_ago].hours.ago) }
    @entries[:tours].each { |entry| tour(entry) }
    Reminding.run
  end

  # What the house has written, once all else is there.
  def send_letters
    @entries[:letters].each { |key| DeskLetter.send_to(@people.fetch(key)) }
  end

  private

  # Its text names a day, told by how long ago it is.
  def publish_with_day(entry)
    page = page(entry[:page])
    markdown = page.to_markdown
    raise "#{page.title} does not say: #{entry[:from]}" unless markdown.include?(entry[:from])

    words = format(entry[:to], day: I18n.l(Date.current - entry[:day], format: :day_and_year))
    document = Zuhause::Changes.carry_ids(page.draft.document, Zuhause::Markup::MarkdownReader.read(markdown.sub(entry[:from], words)).doc)
    saved = page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: by(entry), at: at(entry))
    page.publish(version: saved.version, by: by(entry), at: at(entry))
  end

  def tour(entry)
    tour = Tour.begin(place(entry), by: by(entry), at: at(entry))
    entry[:correct].each { |id| Check.say(page(id), by: by(entry), at: at(entry)) }
    %i[correct edited].each { |said| entry[said].each { |id| tour.say(page(id), said.to_s, at: at(entry)) } }
  end

  def page(public_id)
    Page.find_by!(public_id: public_id)
  end

  def place(entry)
    entry[:page] ? page(entry[:page]) : Room.all.find { |room| room[:name] == entry[:room] } || raise(ActiveRecord::RecordNotFound, entry[:room])
  end

  def by(entry)
    @people.fetch(entry[:by])
  end

  def at(entry)
    Time.current.beginning_of_day + 9.hours - entry[:days_ago].days
  end
end
