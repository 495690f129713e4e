# Loads what colleagues say in the demo house, from demo/talk.yml.
class DemoTalk
  # @param entries [Hash] as the file holds them
  # @param people [Hash{String=>Person}] by their keys
  def initialize(entries, people)
    @entries, @people = entries, people
  end

  def load
    @entries[:notes].each { |entry| note(entry) }
    @entries[:proposals].each { |entry| note(entry, words: entry[:words]) }
    @entries[:questions].each { |entry| question(entry) }
    @entries[:threads].each { |entry| thread(entry) }
  end

  private

  def note(entry, words: nil)
    page = Page.find_by!(public_id: entry[:page])
    remark = kept(Remark.note(page, pointed(page, entry), body: entry[:body].to_s, words: words, by: by(entry), at: at(entry)))
    follow(remark, entry)
  end

  # Words of the text, or a point in a picture of it.
  def pointed(page, entry)
    edition = entry[:edition] ? page.editions.find_by!(number: entry[:edition]) : page.edition
    stage = { stage: "edition", version: edition.number }
    if entry[:point]
      block = Zuhause::Document::Walk.blocks(edition.document).find { |each| each["type"] == entry[:point][:block] }
      return Remark::OnText::Pointed.new(**stage, block: block.dig("attrs", "id"), **entry[:point].slice(:x, :y))
    end
    block = edition.state.page_text.blocks.find { |each| each.text.include?(entry[:quote]) } || raise("#{page.title} does not say: #{entry[:quote]}")
    Remark::OnText::Pointed.new(**stage, block: block.id, start: block.text.index(entry[:quote]), length: entry[:quote].length, quote: entry[:quote])
  end

  def question(entry)
    page = Page.find_by!(public_id: entry[:page])
    remark = kept(Remark.say(page, kind: "question", body: entry[:body], origin: entry[:origin], by: by(entry), at: at(entry)))
    entry[:answers].to_a.each do |answer|
      reply = kept(remark.reply(answer[:body], by: by(answer), at: at(answer)))
      %w[helped doubted].each { |kind| answer[kind.to_sym].to_a.each { |key| reply.voice(kind, by: @people.fetch(key), at: at(answer)) } }
      remark.choose(reply, by: by(entry), at: at(answer)) if answer[:chosen]
    end
    follow(remark, entry)
  end

  def thread(entry)
    place = entry[:room] ? Room.find_by!(name: entry[:room]) : Page.find_by!(public_id: entry[:page])
    entry[:lines].each do |line|
      shown = line[:page] && Page.find_by!(public_id: line[:page])
      follow(kept(Remark.say(place, kind: "line", body: line[:body], shown_page: shown, by: by(line), at: at(line))), line)
    end
  end

  def follow(remark, entry)
    entry[:replies].to_a.each { |reply| kept(remark.reply(reply[:body], by: by(reply), at: at(reply))) }
    entry[:seen].to_a.each { |key| remark.voice("seen", by: @people.fetch(key), at: at(entry)) }
    remark.settle(by: by(entry[:settled]), at: at(entry[:settled])) if entry[:settled]
  end

  def kept(remark)
    remark.tap { raise ActiveRecord::RecordInvalid, remark unless remark.persisted? }
  end

  def by(entry)
    @people.fetch(entry.fetch(:by))
  end

  def at(entry)
    Time.current.beginning_of_day + 8.hours - entry.fetch(:days_ago).days
  end
end
