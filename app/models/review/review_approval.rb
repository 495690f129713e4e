# That somebody approved a state of a page, by its digest, and by whose right if it was not their own.
class ReviewApproval < ApplicationRecord
  belongs_to :review
  belongs_to :person
  belongs_to :authority, class_name: "Person", optional: true

  # @return [Integer] whose right it was
  def right_id
    authority_id || person_id
  end

  # @param groups [Array<Integer>] that whoever's right it was is in now
  # @return [Zuhause::Review::Approval]
  def to_approval(groups)
    Zuhause::Review::Approval.new(person: person_id, authority: authority_id, digest: digest, groups: groups, active: !person.suspended?)
  end
end
