# Accounts for many, from a table: looked at first, then made all at once, or those alone whose lines are right.
class NewAccounts
  # A line of the table with what the house has against it besides: :taken, :unknown_group.
  Row = Struct.new(:line, :name, :email, :role, :groups, :problems, keyword_init: true)

  # @param text [String] see Zuhause::Inviting::AccountTable
  def initialize(text)
    @table = Zuhause::Inviting::AccountTable.new(text)
  end

  # @return [Symbol, nil] why nothing could be read
  def problem
    @table.problem
  end

  # @return [Array<Row>]
  def rows
    @rows ||= @table.rows.map do |row|
      found = row.groups.map { |name| known_groups[name.downcase] }
      problems = row.problems + [ (:taken if taken.include?(row.email)), (:unknown_group if found.any?(&:nil?)) ].compact
      Row.new(**row.to_h, groups: found.compact, problems: problems)
    end
  end

  # @return [Array<Row>]
  def right
    rows.select { |row| row.problems.empty? }
  end

  def wrong
    rows - right
  end

  # What the groups open to those who come into them, told before it is done.
  #
  # @return [Array<Array(Group, Integer)>] each group with how many come into it
  def joining
    right.flat_map(&:groups).tally.sort_by { |group, _count| group.name }
  end

  # @param only_right [Boolean] leave out lines that are wrong, else nothing is made if one is
  # @return [Hash{Person=>String}] each with the code of their slip; empty if nothing was made
  def make(by:, only_right: false, at: Time.current)
    return {} if right.empty? || (wrong.any? && !only_right)

    Person.transaction do
      made = right.to_h { |row| [ row, account(row, by, at) ] }
      right.flat_map(&:groups).uniq.each do |group|
        joiners = made.select { |row, _person| row.groups.include?(group) }.values
        group.change(name: group.name_in_database, people: (group.people.to_a + joiners).uniq, by: by) or raise ActiveRecord::Rollback
      end
      made.values.to_h { |person| [ person, Slip.write(person, at: at) ] }
    end || {}
  end

  private

  def account(row, by, at)
    person = Person.create!(name: row.name, email: row.email, role: row.role.to_s, password: SecureRandom.urlsafe_base64(32))
    Happening.write(:invited, person, by: by, at: at, role: person.role)
    person
  end

  def taken
    @taken ||= Person.where(email: @table.rows.map(&:email)).pluck(:email).to_set
  end

  def known_groups
    @known_groups ||= Group.all.index_by { |group| group.name.downcase }
  end
end
