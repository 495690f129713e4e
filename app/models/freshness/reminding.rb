# Who keeps a page is told that it is to be checked: two weeks ahead, on the day, and two weeks after, once each.
module Reminding
  ACTS = { ahead: :check_ahead, due: :check_due, late: :check_late }.freeze
  Due = Zuhause::Freshness::Due

  class << self
    # @param today [Date]
    def run(today = House.today)
      due(today).find_each do |date|
        stage = Due.stage(date.due_on, today, told: date.told&.to_sym)
        tell(date, stage) if stage
      end
    end

    private

    def due(today)
      CheckDate.where(due_on: ..(today + Due::AHEAD)).where("told IS NULL OR told <> ?", Due::STAGES.last.to_s).where(page_id: Page.kept.in_care.select(:id)).includes(:page)
    end

    # Written down once, whoever else runs at the same time.
    def tell(date, stage)
      CheckDate.transaction do
        next unless CheckDate.where(page_id: date.page_id, due_on: date.due_on, told: date.told).update_all(told: stage.to_s) == 1

        Happening.write(ACTS.fetch(stage), date.page, by: nil, due: date.due_on.iso8601)
      end
    end
  end
end
