# That a page's draft is looked over before it is published; one at a time. How it stands is worked out from the rules, the
# draft and the people as they are now (Zuhause::Review::Standing); what can be done is in Zuhause::Review::Table.
class Review < ApplicationRecord
  # That cannot be done with it as it stands, or not by that person.
  class Refused < StandardError; end

  LONGEST = 500 # characters of a note, or a reason

  belongs_to :page
  belongs_to :asker, class_name: "Person", optional: true
  belongs_to :closed_by, class_name: "Person", optional: true
  belongs_to :edition, optional: true
  has_many :approvals, class_name: "ReviewApproval", dependent: :delete_all

  normalizes :note, :reason, with: ->(text) { text.to_s.squish }
  validates :note, :reason, length: { maximum: LONGEST }

  scope :open_still, -> { where(closed: nil) }

  class << self
    # @param viewer [Viewer] who is signed in
    # @param groups [Array<Integer>] that the viewer is in
    # @return [Array<Integer>] ids of pages with an open review that the viewer could decide by the rules as they are now
    def page_ids_for(viewer, groups:)
      open = Page.kept.giving(viewer, :read).where(id: open_still.select(:page_id)).select(:id, :ancestry, :room_id).to_a
      return [] if open.empty?

      rules = ReviewRule.nearest(open)
      theirs = rules.values.uniq.select { |rule| rule.to_rules.may_approve?(viewer.person.id, groups: groups) }
      open.select { |page| theirs.include?(rules[page.id]) }.map(&:id)
    end

    # What becomes of it when its page is published, by whatever way.
    def follow_edition(page, edition)
      return unless edition.draft_version

      open_still.where(page: page).update_all(closed: "published", closed_at: edition.published_at, closed_by_id: edition.author_id, edition_id: edition.id)
    end

    # A page that goes takes its review along.
    def withdraw_all(pages, by:, at: Time.current)
      open_still.where(page: pages).update_all(closed: "withdrawn", closed_at: at, closed_by_id: by&.id)
    end
  end

  def open?
    closed.nil?
  end

  # @return [Zuhause::Review::Standing::Kept]
  def kept
    people = approvals.includes(:person).to_a
    groups = Membership.where(person_id: people.map(&:person_id)).pluck(:person_id, :group_id).group_by(&:first).transform_values { |rows| rows.map(&:last) }
    Zuhause::Review::Standing::Kept.new(closed: closed&.to_sym, approvals: people.map { |approval| Zuhause::Review::Approval.new(person: approval.person_id, digest: approval.digest, groups: groups.fetch(approval.person_id, []), active: !approval.person.suspended?) })
  end
end
