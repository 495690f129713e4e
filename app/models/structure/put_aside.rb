# That a page stays readable and linked, but leaves the plan and the first hits, with all below it: a thing of the past that some
# still look up.
class PutAside < ApplicationRecord
  LONGEST = 300 # characters of the reason
  BELOW = <<~SQL.squish
    SELECT page_id AS id FROM put_asides UNION
    SELECT below.id FROM put_asides CROSS JOIN pages AS tops ON tops.id = put_asides.page_id
    JOIN pages AS below ON below.ancestry >= tops.ancestry || tops.id || '/' AND below.ancestry < tops.ancestry || tops.id || '0'
  SQL
  private_constant :BELOW

  belongs_to :page
  belongs_to :person, optional: true

  normalizes :reason, with: ->(reason) { reason.to_s.squish }
  validates :reason, length: { maximum: LONGEST }

  class << self
    # @param page [Page]
    # @param viewer [Viewer]
    # @return [PutAside, nil] its own, or that of the nearest page above it; asks nothing where none is
    def of(page, viewer)
      all = viewer.kept_fetch([ :put_aside ], of: %i[pages]) { pluck(:page_id).to_set.freeze }
      path = page.path_ids.select { |id| all.include?(id) }
      find_by(page_id: path.last) if path.any?
    end

    # @return [ActiveRecord::Relation<Page>] all pages that are, with those below them
    def pages
      Page.unscoped.from(Arel.sql("(#{BELOW}) AS pages")).select(:id)
    end

    # @return [Array<Integer>] ids of those
    def page_ids
      pages.pluck(:id)
    end

    # @param viewer [Viewer]
    # @return [Set<Integer>] the same, kept until a page is moved or put aside
    def known(viewer)
      viewer.kept_fetch([ :put_aside_below ], of: %i[pages]) { page_ids.to_set.freeze }
    end

    # @return [Boolean] false, with errors, where the reason will not do
    def put(page, by:, reason: "", at: Time.current)
      page.transaction do
        made = find_or_initialize_by(page: page)
        next made unless made.update(person: by, reason: reason, created_at: at)

        Happening.write(:put_aside, page, by: by, at: at)
        made
      end
    end
  end

  # @return [String] the reason, for who sees the page of which it was said
  def reason_for(viewer)
    viewer.sees?(page) ? reason : ""
  end

  def end(by:, at: Time.current)
    transaction do
      delete
      Happening.write(:taken_up, page, by: by, at: at)
    end
  end
end
