# That a page's draft is looked over before it is published; one at a time. How it stands is worked out from the rules, the
# draft and the people as they are now (Zuhause::Review::Standing); what can be done is in Zuhause::Review::Table.
class Review < ApplicationRecord
  # That cannot be done with it as it stands, or not by that person.
  class Refused < StandardError; end

  LONGEST = 500 # characters of a note, or a reason
  AFTERWARDS = %w[by_hand at_once at_time].freeze

  belongs_to :page
  belongs_to :asker, class_name: "Person", optional: true
  belongs_to :closed_by, class_name: "Person", optional: true
  belongs_to :edition, optional: true
  has_many :approvals, class_name: "ReviewApproval", dependent: :delete_all
  has_many :invitations, class_name: "ReviewInvitation", dependent: :delete_all
  has_many :invited, through: :invitations, source: :person

  normalizes :note, :reason, :edition_note, with: ->(text) { text.to_s.squish }
  validates :note, :reason, length: { maximum: LONGEST }
  validates :edition_note, length: { maximum: 300 }
  validates :afterwards, inclusion: { in: AFTERWARDS }
  validates :publish_at, presence: true, comparison: { greater_than: ->(review) { review.asked_at }, allow_nil: true }, if: -> { afterwards == "at_time" }

  scope :open_still, -> { where(closed: nil) }

  class << self
    # @param viewer [Viewer] who is signed in
    # @param groups [Array<Integer>] that the viewer is in
    # @return [Array<Integer>] ids of pages with an open review that the viewer could decide by the rules as they are now
    def page_ids_for(viewer, groups:)
      open = Page.from("reviews CROSS JOIN pages ON pages.id = reviews.page_id").merge(open_still).kept.giving(viewer, :read).select(:id, :ancestry, :room_id, invited.arel.as("invited")).to_a
      return [] if open.empty?

      rules = ReviewRule.nearest(open)
      someone, away = Zuhause::Review::Right::Someone.new(id: viewer.person.id, groups: groups), Absence.stood_in_for(viewer.person.id)
      known = Hash.new { |kept, key| kept[key] = Zuhause::Review::Right.looks_over?(someone, rules: key[0].to_rules, asked: key[1], away: away) }
      open.select { |page| rules[page.id] && known[[ rules[page.id], page.invited.to_s.split(",").map(&:to_i) ]] }.map(&:id)
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

    private

    # Asked when needed: a class that asks the database while it is loaded cannot be loaded beside a house not yet brought
    # forward, and so could never bring it forward.
    def invited
      ReviewInvitation.where("review_invitations.review_id = reviews.id").select("group_concat(person_id)")
    end
  end

  def open?
    closed.nil?
  end

  # @return [Zuhause::Review::Standing::Kept]
  def kept
    given = approvals.includes(:person).to_a
    groups = Membership.where(person_id: given.map(&:right_id)).pluck(:person_id, :group_id).group_by(&:first).transform_values { |rows| rows.map(&:last) }
    Zuhause::Review::Standing::Kept.new(closed: closed&.to_sym, approvals: given.map { |approval| approval.to_approval(groups.fetch(approval.right_id, [])) })
  end
end
