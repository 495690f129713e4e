# By when a published page is to be checked, counted from when somebody last confirmed what it says: by saying so, or by publishing
# it while keeping it. The first edition counts, whoever publishes it. +since+ is the day of that, by the house.
class CheckDate < ApplicationRecord
  Due = Zuhause::Freshness::Due

  PORTION = 1000

  self.primary_key = :page_id

  belongs_to :page

  scope :overdue, ->(today = House.today) { where(due_on: ...today) }
  # To be checked within the days in which one is told ahead.
  scope :near, ->(today = House.today) { where(due_on: today..(today + Due::AHEAD)) }

  class << self
    def follow_edition(page, edition)
      date = find_or_initialize_by(page_id: page.id)
      date.base_at = edition.published_at if date.new_record? || confirms?(edition, page)
      date.months = CheckRule.for(page)&.months
      date.count
      date.save!
    end

    def follow_founding(founded)
      founded = founded.select(&:edition)
      rules = CheckRule.nearest(founded.map { |each| [ each.page.id, each.page.ancestry, each.page.room_id ] })
      dates = founded.map { |each| new(page_id: each.page.id, base_at: each.edition.published_at, months: rules[each.page.id]&.months).tap(&:count) }
      insert_all!(dates.map(&:attributes)) if dates.any?
    end

    # Counts anew for pages whose rules may be others now.
    #
    # @param pages [ActiveRecord::Relation<Page>]
    def settle(pages)
      places = pages.where.not(edition_id: nil).pluck(:id, :ancestry, :room_id)
      rules = CheckRule.nearest(places)
      places.each_slice(PORTION) do |some|
        changed = where(page_id: some.map(&:first)).select { |date| date.follow(rules[date.page_id]) }
        upsert_all(changed.map { |date| date.attributes.slice("page_id", "base_at", "since", "months", "due_on", "told", "days_read") }, unique_by: :page_id) if changed.any?
      end
    end

    private

    def confirms?(edition, page)
      !edition.small? && Viewer.new(edition.author).level_on(page) == :keep
    end
  end

  # @param rule [CheckRule, nil] that holds for it now
  # @return [Boolean] whether that changes anything
  def follow(rule)
    self.months = rule&.months
    count
    changed?
  end

  # Counts by when it is to be checked; what was told of another day is nothing to this one.
  def count
    self.since = base_at.in_time_zone(Time.zone_default).to_date
    self.due_on = Due.on(since, months)
    self.told = nil if due_on_changed?
  end

  # @param today [Date]
  def over?(today = House.today)
    Due.over?(due_on, today)
  end

  # @return [Boolean] whether somebody has confirmed it; the first edition counts as it is, whoever published it
  def confirmed?
    !Edition.exists?(page_id: page_id, number: 1, published_at: base_at)
  end

  # @param base_at [Time] when somebody confirmed it
  def begin_anew(base_at)
    self.base_at = base_at
    count
    save!
  end
end
