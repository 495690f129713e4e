# The house as somebody else sees it, of what the looker keeps: nobody is signed in as them, so nothing of theirs is shown or kept,
# and nothing can be done. What is worked out for it is kept apart from what is kept for anybody's own view.
class LookingViewer < Viewer
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
    new(subject, looker, name: name, title: title) if subject && looker.active_member?
  end

  # Whom the house is seen as: :person, :group, :guest or :outside, and the name of the first two.
  attr_reader :kind, :title

  # @param name [String] see .named
  def initialize(subject, looker, name:, title:)
    super(nil, looker.house)
    @looker, @subject, @kind, @title = looker, subject, name.split(":").first.to_sym, title
    @kept = Kept.new([ :looking, looker.person.id, name ])
  end

  def looking?
    true
  end

  def hears?
    kind != :outside
  end

  def reviewed_ids
    []
  end

  private

  # What they have, where the looker keeps it.
  def levels
    @levels ||= kept.fetch([ :levels_looked_at ], of: %i[people lists]) { super.select { |list, _level| @looker.list_ids(:keep).include?(list) }.freeze }
  end
end
