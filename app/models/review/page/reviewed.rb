# Looking over a page's draft before it is published.
module Page::Reviewed
  extend ActiveSupport::Concern

  # The place asks for a review, and what is to be published is not approved.
  class Unreviewed < StandardError; end

  included do
    has_many :reviews
  end

  # @return [ReviewRule, nil] what its place asks for
  def review_rule
    ReviewRule.for(self)
  end

  # @return [Review, nil] the newest
  def review
    reviews.order(:id).last
  end

  # @return [Zuhause::Review::Standing]
  def review_standing(rule: review_rule, review: self.review)
    Zuhause::Review::Standing.new(review&.kept, rules: rule&.to_rules, digest: draft.state.identity, writers: changer_ids, able: rule && reviewers(rule, review).able.size)
  end

  # @return [Reviewers]
  def reviewers(rule, review)
    Reviewers.new(rule, (review if review&.open?), writers: changer_ids)
  end

  # @return [Array<Integer>] ids of people whose changes the draft holds
  def changer_ids
    Changer.where(page: self).pluck(:person_id)
  end

  # Asks for a review of the draft.
  #
  # @param invited [Array<Person>] who is asked by name; empty for all who may approve
  # @param afterwards [Hash] what follows the approval: afterwards, publish_at, edition_note
  # @return [Review] with errors if what is given will not do
  # @raise [Review::Refused, Page::Publishing::Unchanged]
  def ask_for_review(by:, note: "", invited: [], at: Time.current, **afterwards)
    transaction do
      reload
      rule = review_rule
      judge(:ask, by, rule, review)
      raise Page::Publishing::Unchanged unless unpublished_changes?

      made = reviews.new(asker: by, note: note, asked_at: at, invited: invited, **afterwards)
      made.errors.add(:invited, :too_few, count: rule.needed) if made.valid? && invited.any? && Reviewers.new(rule, made, writers: changer_ids).able.size < rule.needed
      next made if made.errors.any?

      made.save!
      Happening.write(:review_asked, self, by: by, at: at)
      made
    end
  rescue ActiveRecord::RecordNotUnique
    raise Review::Refused
  end

  # @param version [Integer] the draft's version that was looked at
  # @return [Edition, nil] what was published at once, if that was asked for
  # @raise [Review::Refused, Page::Publishing::Stale]
  def approve(version:, by:, at: Time.current)
    transaction do
      reload
      rule, open = review_rule, review
      judge(:approve, by, rule, open)
      raise Page::Publishing::Stale unless draft.version == version
      right = reviewers(rule, open).right_of(by) or raise Review::Refused

      ReviewApproval.upsert({ review_id: open.id, person_id: by.id, authority_id: (right unless right == by.id), digest: draft.state.identity, created_at: at }, unique_by: %i[review_id person_id])
      Happening.write(:review_approved, self, by: by, at: at)
      follow_approval(open, at) if review_standing(rule: rule, review: open).state == :approved
    end
  end

  # Takes one's own approval back.
  #
  # @raise [Review::Refused]
  def unapprove(by:, at: Time.current)
    transaction do
      reload
      open = review
      judge(:unapprove, by, review_rule, open)
      raise Review::Refused unless open.approvals.where(person: by).delete_all.positive?

      TimedPublication.where(review: open).delete_all
      Happening.write(:review_unapproved, self, by: by, at: at)
    end
  end

  # @param reason [String] why, which has to be said
  # @raise [Review::Refused]
  def send_back(reason:, by:, at: Time.current)
    close_review(:send_back, "sent_back", :review_sent_back, by: by, at: at, reason: reason)
  end

  # @raise [Review::Refused]
  def withdraw_review(by:, at: Time.current)
    close_review(:withdraw, "withdrawn", :review_withdrawn, by: by, at: at)
  end

  # @param small [Boolean]
  # @return [Boolean] whether the draft may become an edition as far as reviews go
  def publishable?(small: false)
    rule = review_rule
    rule.nil? || review_standing(rule: rule).publishable?(small: small)
  end

  # What somebody may do about its review.
  #
  # @return [Boolean]
  def may_review?(act, person, rule: review_rule, review: self.review)
    standing = review_standing(rule: rule, review: review)
    Zuhause::Review::Table.may?(standing.state, act, review_roles(person, rule: rule, review: review))
  end

  # @return [Array<Symbol>] what somebody is to the page and its review, see Zuhause::Review::Table::WHO
  def review_roles(person, rule:, review:, level: Viewer.new(person).level_on(self))
    [ (:writer if Zuhause::Access::Level.at_least?(level, :write)), (:asker if review&.asker_id == person.id),
      (:approver if rule && Zuhause::Access::Level.at_least?(level, :read) && reviewers(rule, review).looks_over?(person)) ].compact
  end

  private

  # @return [Boolean] whether just that state was approved
  # @raise [Unreviewed]
  def judge_review(state, small:)
    rule = review_rule or return false
    approved = review_standing(rule: rule).publishable? && state.identity == draft.state.identity
    raise Unreviewed unless approved || (small && rule.small?)

    approved
  end

  def judge(act, person, rule, review)
    raise Review::Refused unless may_review?(act, person, rule: rule, review: review)
  end

  # What was asked for: that it is published at once, or at a set time, by whoever asked, if they still may. Where that cannot
  # be, it stays approved and waits for somebody's hand.
  def follow_approval(review, at)
    asker = review.asker
    return if review.afterwards == "by_hand" || asker.nil? || asker.suspended? || !Zuhause::Access::Level.at_least?(Viewer.new(asker).level_on(self), :write)

    return TimedPublication.set(self, due_at: review.publish_at, by: asker, note: review.edition_note, review: review, at: at) && nil if review.afterwards == "at_time" && review.publish_at > at

    publish(version: draft.version, by: asker, note: review.edition_note, at: at)
  rescue Page::Publishing::Unsettled, Page::Publishing::Unchanged
    nil
  end

  def close_review(act, closed, happening, by:, at:, reason: "")
    transaction do
      reload
      open = review
      judge(act, by, review_rule, open)
      next open.tap { open.errors.add(:reason, :blank) } if closed == "sent_back" && reason.blank?
      next open unless open.update(closed: closed, closed_by: by, closed_at: at, reason: reason)

      TimedPublication.where(review: open).delete_all
      Happening.write(happening, self, by: by, at: at, reason: open.reason.presence)
      open
    end
  end
end
