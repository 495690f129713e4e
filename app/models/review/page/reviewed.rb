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
    Zuhause::Review::Standing.new(review&.kept, rules: rule&.to_rules, digest: draft.state.identity, writers: changer_ids, able: rule && able(rule).size)
  end

  # @return [Array<Integer>] ids of people whose changes the draft holds
  def changer_ids
    Changer.where(page: self).pluck(:person_id)
  end

  # Asks for a review of the draft.
  #
  # @return [Review] with errors if the note will not do
  # @raise [Review::Refused]
  def ask_for_review(by:, note: "", at: Time.current)
    transaction do
      reload
      judge(:ask, by, review_rule, review)
      raise Publishing::Unchanged unless unpublished_changes?

      made = reviews.create(asker: by, note: note, asked_at: at)
      Happening.write(:review_asked, self, by: by, at: at) if made.persisted?
      made
    end
  rescue ActiveRecord::RecordNotUnique
    raise Review::Refused
  end

  # @param version [Integer] the draft's version that was looked at
  # @raise [Review::Refused, Publishing::Stale]
  def approve(version:, by:, at: Time.current)
    transaction do
      reload
      rule, open = review_rule, review
      judge(:approve, by, rule, open)
      raise Publishing::Stale unless draft.version == version
      raise Review::Refused unless rule.to_rules.counts?(by.id, writers: changer_ids, groups: groups_of(by))

      ReviewApproval.upsert({ review_id: open.id, person_id: by.id, digest: draft.state.identity, created_at: at }, unique_by: %i[review_id person_id])
      Happening.write(:review_approved, self, by: by, at: at)
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
    Zuhause::Review::Table.may?(standing.state, act, roles(person, rule, review))
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

  def close_review(act, closed, happening, by:, at:, reason: "")
    transaction do
      reload
      open = review
      judge(act, by, review_rule, open)
      next open.tap { open.errors.add(:reason, :blank) } if closed == "sent_back" && reason.blank?

      open.update(closed: closed, closed_by: by, closed_at: at, reason: reason) && Happening.write(happening, self, by: by, at: at, reason: open.reason.presence)
      open
    end
  end

  def roles(person, rule, review)
    viewer = Viewer.new(person)
    level = viewer.level_on(self)
    [ (:writer if Zuhause::Access::Level.at_least?(level, :write)), (:asker if review&.asker_id == person.id),
      (:approver if rule && Zuhause::Access::Level.at_least?(level, :read) && rule.to_rules.may_approve?(person.id, groups: groups_of(person))) ].compact
  end

  def groups_of(person)
    person.memberships.pluck(:group_id)
  end

  # @return [Array<Person>] whose approvals count
  def able(rule)
    writers = rule.own ? [] : changer_ids
    rule.people.reject { |person| writers.include?(person.id) }
  end
end
