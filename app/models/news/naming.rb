# People whom a page names for the first time, as somebody mentioned or as who is to do a task. Those who may read it are
# told by mail; of the others whoever published learns.
class Naming
  # @return [Array<String>] public ids of people that the page's edition names
  def self.named_in(page)
    Reference.from_editions.where(page: page, use: %w[mention task], target_kind: "person").pluck(:target).map { |target| target.delete_prefix("person:") }.uniq
  end

  # @param before [Array<String>] whom the edition before named
  def initialize(page, by:, before:)
    @page = page
    @by = by
    @people = Person.active.where(public_id: self.class.named_in(page) - before).where.not(id: by.id).by_name.to_a
  end

  # @return [Array<Person>]
  def shut_out
    @people.reject { |person| Viewer.new(person).sees?(@page) }
  end

  def tell
    (@people - shut_out).each { |person| HouseMailer.named(person, @page, by: @by).deliver_now }
  end
end
