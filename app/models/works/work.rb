# Something long that runs by itself: what, whose, how far, and what came of it. It is done in portions, each of which is
# judged anew and holds nobody up; it can be left, found again, and stopped. What was left by a process that ended is taken
# up again.
class Work < ApplicationRecord
  include PubliclyIdentified

  KINDS = %w[copying bringing_in moving_in mending].freeze
  STATES = %w[waiting running stopping stopped done failed].freeze
  LEFT_AFTER = 2.minutes # without a sign of it

  # What it was to do cannot be done, for a reason that can be said.
  class Impossible < StandardError; end

  belongs_to :person
  belongs_to :page, optional: true
  belongs_to :result, class_name: "Page", optional: true
  has_many :pages_under_way, class_name: "PageUnderWay"

  validates :kind, inclusion: { in: KINDS }
  validates :state, inclusion: { in: STATES }

  scope :newest_first, -> { order(id: :desc) }
  scope :open, -> { where(state: %w[waiting running stopping]) }
  scope :left, ->(now) { open.where(updated_at: ...(now - LEFT_AFTER)) }
  scope :untold, ->(now) { where(state: "done", announced_at: nil, finished_at: ...(now - LEFT_AFTER)) }

  # @param kind [Symbol] see {KINDS}
  # @param page [Page] on which it is started
  # @param at_once [Boolean] whether it is so little that it is done at once; what stops it then is taken up by the job for
  #   what was left
  # @yieldparam work [Work] before it is taken up
  # @return [Work] which is taken up by a job
  def self.start(kind, page:, by:, total:, at_once: false, **details)
    work = create!(kind: kind.to_s, page: page, person: by, total: total, details: details)
    yield work if block_given?
    at_once ? work.run : WorkJob.perform_later(work.id)
    work
  end

  # @param error [Exception] of the file system or of the database
  def self.disk_full?(error)
    [ error, error.cause ].any? { |each| each.is_a?(Errno::ENOSPC) || each.is_a?(SQLite3::FullException) }
  end

  # @param viewer [Viewer]
  # @return [Array<Work>] the viewer's own that were started on a page and have not ended
  def self.on(page, viewer)
    pages = viewer.kept_fetch([ :works, viewer.person&.id ], of: [ :works ]) { open.where(person: viewer.person).distinct.pluck(:page_id).to_set.freeze }
    pages.include?(page.id) ? open.where(person: viewer.person, page: page).newest_first.to_a : []
  end

  def open?
    state.in?(%w[waiting running stopping])
  end

  # Whoever started it has thought better of it; it ends with the portion that is being done.
  def stop
    self.class.where(id: id, state: "running").update_all(state: "stopping")
    nobody_at_it = self.class.where(id: id, state: "waiting").update_all(state: "stopping", updated_at: 1.hour.ago)
    WorkJob.perform_later(id) if nobody_at_it == 1
  end

  # Does what is left of it. Nothing comes of what is stopped or fails.
  def run
    return unless take

    task = self.task
    task.portions.each do |portion|
      return give_up(task, "stopped") if self.class.where(id: id, state: "stopping").exists?

      before = done
      task.do(portion)
      update!(done: before + portion.size, updated_at: Time.current)
    end
    finish(task)
  rescue Impossible, ActiveRecord::RecordNotFound, ActiveRecord::RecordInvalid => e
    give_up(task, "failed", e.is_a?(Impossible) ? e.message : "gone")
  rescue StandardError => e
    Rails.error.report(e, handled: true)
    give_up(task, "failed", self.class.disk_full?(e) ? "disk_full" : "unknown")
  end

  # Tells of what came of it. Each page is told of unless it has been; of the whole it is told once.
  def tell(task = self.task)
    task.announce(result)
    transaction do
      next unless self.class.where(id: id, announced_at: nil).update_all(announced_at: Time.current) == 1

      task.conclude(result)
    end
  end

  private

  def task
    kind.camelize.constantize.new(self)
  end

  # @return [Boolean] whether nobody else is at it
  def take
    self.class.where(id: id, state: "waiting").or(self.class.where(id: id).left(Time.current)).update_all("state = CASE state WHEN 'stopping' THEN 'stopping' ELSE 'running' END, updated_at = CURRENT_TIMESTAMP") == 1 && reload
  end

  def finish(task)
    transaction do
      update!(result: task.finish, state: "done", done: total, finished_at: Time.current)
    end
    tell(task)
  end

  def give_up(task, state, problem = nil)
    task&.undo
    update!(state: state, problem: problem, finished_at: Time.current)
  end
end
