# What administrators read of the whole house: every act, by kind and by who did it.
class Record
  KINDS = {
    "page" => ->(act) { act.about == :page && act.readers != :keepers }, "access" => ->(act) { act.readers == :keepers }, "room" => ->(act) { act.about == :room },
    "people" => ->(act) { %i[person group].include?(act.about) && act.days.nil? }, "signing_in" => ->(act) { act.about == :person && act.days }, "house" => ->(act) { act.about == :house }
  }.freeze

  attr_reader :kind, :who

  # @param kind [String, nil] a key of {KINDS}
  # @param who [String, nil] a person's public id
  def initialize(kind: nil, who: nil)
    @kind = kind if KINDS.key?(kind)
    @who = who.presence
  end

  # @return [ActiveRecord::Relation<Happening>] newest first
  def happenings
    found = Happening.newest_first
    found = found.where(act: Happening::ACTS.named(&KINDS.fetch(kind))) if kind
    found = found.where(id: HappeningActor.joins(:person).where(person: { public_id: who }).select(:happening_id)) if who
    found
  end
end
