# People whom a page names for the first time, as somebody mentioned or as who is to do a task, whatever way its edition came
# to be. Those who may read it are told; of the others whoever published learns.
module Naming
  class << self
    # @return [Array<String>] public ids of people that the page's edition names
    def in(page)
      Reference.from_editions.where(page: page, use: %w[mention task], target_kind: "person").distinct.pluck(:target_id)
    end

    # @param before [Array<String>] whom the edition before named
    # @return [Array<Person>] those newly named who may not read it
    def follow(page, before:, by:, at:)
      people = Person.active.where(public_id: self.in(page) - before).where.not(id: by.id).by_name.to_a
      Happening.write(:named, page, by: by, at: at, people: people.map(&:public_id)) if people.any?
      levels = people.any? ? page.audience.levels.to_h { |subject, _level| [ subject.id, true ] } : {}
      people.reject { |person| levels.key?(person.id) }
    end
  end
end
