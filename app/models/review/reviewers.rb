# Those who look over one page's draft: who was asked, and who may approve by the rules as they are now, by their own right or
# by that of somebody away.
class Reviewers
  # @param rule [ReviewRule]
  # @param review [Review, nil] the open one
  # @param writers [Array<Integer>] ids of people whose changes the draft holds
  def initialize(rule, review, writers: [])
    @rule, @review, @writers = rule, review, writers
    @rules = rule.to_rules
  end

  # @return [Boolean]
  def looks_over?(person)
    Zuhause::Review::Right.looks_over?(someone(person), rules: @rules, asked: asked, away: Absence.stood_in_for(person.id))
  end

  # @return [Integer, nil] the id of whoever's right it is by which an approval of that person would count
  def right_of(person)
    Zuhause::Review::Right.of(someone(person), rules: @rules, asked: asked, away: Absence.stood_in_for(person.id), writers: @writers)
  end

  # @return [Array<Person>] those who were asked, with whoever stands in for them
  def people
    @people ||= begin
      chosen = asked.empty? ? @rule.people : @rule.people.select { |person| asked.include?(person.id) }
      (chosen + Absence.deputies_of(chosen).values).uniq
    end
  end

  # @return [Array<Person>] those of them whose approvals count
  def able
    people.select { |person| @rules.counts_for?(person.id, @writers) }
  end

  private

  def asked
    @asked ||= @review ? @review.invitations.map(&:person_id) : []
  end

  def someone(person)
    Zuhause::Review::Right::Someone.new(id: person.id, groups: person.memberships.pluck(:group_id))
  end
end
