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
  end

  private

  def ask_for(entry)
    rule = ReviewRule.of(page(entry))
    rule.set(people: [], groups: entry[:groups].map { |name| @groups.fetch(name) }, prompt: entry[:prompt], by: page(entry).author) || raise(ActiveRecord::RecordInvalid, rule)
  end

  def draft(entry)
    page = page(entry)
    markdown = page.to_markdown
    raise "#{page.title} does not say: #{entry[:from]}" unless markdown.include?(entry[:from])

    document = Zuhause::Changes.carry_ids(page.draft.document, Zuhause::Markup::MarkdownReader.read(markdown.sub(entry[:from], entry[:to])).doc)
    page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: by(entry), at: at(entry[:days_ago]))
    page.ask_for_review(by: by(entry), note: entry[:note], at: at(entry[:asked_days_ago]))
    entry[:approved]&.then { |told| page.approve(version: page.draft.version, by: by(told), at: at(told[:days_ago])) }
    entry[:sent_back]&.then { |told| page.send_back(reason: told[:reason], by: by(told), at: at(told[:days_ago])) }
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
