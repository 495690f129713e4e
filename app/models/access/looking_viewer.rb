# The house as somebody else sees it, of what the looker keeps: nobody is signed in as them, so nothing of theirs is shown or kept,
# and nothing can be done. Nothing of it is kept beyond the request either, where it could be taken for somebody's own view.
class LookingViewer < Viewer
  # Keeps what has been worked out for this one request.
  class ForNow
    def initialize
      @found = {}
    end

    def fetch(key, of:)
      @found.fetch(key) { @found[key] = yield }
    end

    def put(key, value, of:)
      @found[key] = value
    end
  end

  # @param name [String] "person:" and "group:" with a public id, "guest", or "outside"
  # @param looker [Viewer] an active member
  # @return [LookingViewer, nil]
  def self.named(name, looker)
    kind, id = name.to_s.split(":", 2)
    subject, title = case kind
    when "person" then Person.find_by(public_id: id)&.then { |person| [ person.to_viewer, person.name ] }
    when "group" then Group.find_by(public_id: id)&.then { |group| [ Zuhause::Access::Viewer.new(role: :member, groups: [ group.id ]), group.name ] }
    when "guest" then [ Zuhause::Access::Viewer.new(role: :guest), nil ]
    when "outside" then [ Zuhause::Access::Viewer.outside, nil ]
    end
    new(subject, looker, kind: kind.to_sym, title: title) if subject && looker.active_member?
  end

  # Whom the house is seen as: :person, :group, :guest or :outside, and the name of the first two.
  attr_reader :kind, :title

  def initialize(subject, looker, kind:, title:)
    super(nil, looker.house)
    @looker, @subject, @kind, @title = looker, subject, kind, title
    @kept = ForNow.new
  end

  def looking?
    true
  end

  def reviewed_ids
    []
  end

  private

  # What they have, where the looker keeps it.
  def levels
    @levels ||= super.slice(*@looker.list_ids(:keep))
  end
end
