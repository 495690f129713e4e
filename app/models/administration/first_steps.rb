# What an empty house needs before it is of use, for whoever set it up: a room, a page in it, somebody else.
class FirstSteps
  STEPS = %i[room page people].freeze

  # @return [FirstSteps, nil] nil for everybody else, and once all is done
  def self.for(viewer)
    steps = new if viewer.person&.office_owner?
    steps unless steps&.done == STEPS
  end

  # @return [Array<Symbol>]
  def done
    @done ||= STEPS.select { |step| send(step) }
  end

  # @return [Symbol] what comes first of what is left
  def next
    (STEPS - done).first
  end

  private

  def room
    Room.shared.in_earnest.any?
  end

  def page
    Page.kept.in_earnest.where(room: Room.shared).any?
  end

  def people
    Person.where(office: %w[none administrator]).any? || Invitation.untaken.any?
  end
end
