# What was sought in the demo house, and what is kept there.
class DemoSearches
  # @param entries [Hash] of demo/searches.yml
  # @param people [Hash{String=>Person}]
  def initialize(entries, people)
    @entries, @people = entries, people
  end

  def load
    @entries[:sought].each { |entry| entry[:by].each { |key| Sought.note(search(entry, key), viewer(key), on: entry[:days_ago].days.ago.to_date) } }
    @entries[:kept].each { |entry| KeptSearch.keep(search(entry, entry[:by]), viewer(entry[:by]), at: entry[:looked_days_ago].days.ago) }
  end

  private

  def search(entry, key)
    Search.new(entry[:text], viewer(key))
  end

  def viewer(key)
    Viewer.new(@people.fetch(key))
  end
end
