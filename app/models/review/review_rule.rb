# What a room, or a page for itself and all below it, asks for before a page is published (Zuhause::Review::Rules).
class ReviewRule < ApplicationRecord
  belongs_to :page, optional: true
  belongs_to :room, optional: true
  has_many :approvers, class_name: "ReviewApprover", dependent: :delete_all

  normalizes :prompt, with: ->(text) { text.to_s.squish }
  validates :needed, numericality: { only_integer: true, in: 1..20 }
  validates :remind_after, numericality: { only_integer: true, in: 1..90 }, allow_nil: true
  validates :prompt, length: { maximum: Zuhause::Review::Rules::LONGEST_PROMPT }

  class << self
    # The nearest that holds for a page: its own, one of a page above it, its room's.
    #
    # @return [ReviewRule, nil]
    def for(page)
      nearest([ page ])[page.id]
    end

    # The same for many.
    #
    # @return [Hash{Integer=>ReviewRule}] by the page's id
    def nearest(pages)
      rules = where(page_id: pages.flat_map(&:path_ids).uniq).or(where(room_id: pages.map(&:room_id).uniq)).includes(:approvers).to_a
      of_pages, of_rooms = rules.select(&:page_id).index_by(&:page_id), rules.select(&:room_id).index_by(&:room_id)
      pages.to_h { |page| [ page.id, page.path_ids.reverse.filter_map { |id| of_pages[id] }.first || of_rooms[page.room_id] ] }.compact
    end

    # @param place [Page, Room]
    # @return [ReviewRule, nil] that holds for what stands in it
    def over(place)
      place.is_a?(Page) ? self.for(place) : includes(:approvers).find_by(room: place)
    end

    # @param place [Page, Room]
    # @return [ReviewRule] its own, or a new one
    def of(place)
      find_or_initialize_by(place.is_a?(Page) ? { page: place } : { room: place })
    end
  end

  # @return [Page, Room] that sets it
  def place
    page || room
  end

  # @param people [Array<Person>]
  # @param groups [Array<Group>]
  # @return [Boolean] false, with errors
  def set(people:, groups:, by:, **values)
    assign_attributes(values)
    validate
    errors.add(:base, :nobody) if people.empty? && groups.empty?
    return false if errors.any?

    transaction do
      save!
      approvers.delete_all
      people.each { |person| approvers.create!(person: person) }
      groups.each { |group| approvers.create!(group: group) }
      Happening.write(:review_rules_set, place, by: by)
    end
    true
  end

  def end(by:)
    transaction do
      destroy!
      Happening.write(:review_rules_ended, place, by: by)
    end
  end

  # @return [Zuhause::Review::Rules]
  def to_rules
    holders = approvers.map { |approver| Zuhause::Access::Holder.new(approver.person_id ? :person : :group, approver.person_id || approver.group_id) }
    Zuhause::Review::Rules.new(approvers: holders, needed: needed, own: own, small: small)
  end

  # @return [Array<Person>] who may approve by it now
  def people
    groups = approvers.filter_map(&:group_id)
    Person.active.where(id: approvers.filter_map(&:person_id)).or(Person.active.where(id: Membership.where(group_id: groups).select(:person_id))).by_name.to_a
  end
end
