# Makes front pages, and links in the plan, lead from one page to another, where whoever does it may set them.
class SetElsewhere
  # @param from [Zuhause::Links::Target]
  # @param to [Zuhause::Links::Target]
  # @param by [Person]
  def self.lead(from, to, by:)
    new(from, to, Viewer.new(by)).lead if from.kind == :page && to&.kind == :page && from.block.nil?
  end

  def initialize(from, to, viewer)
    @from, @to, @viewer = from, to, viewer
  end

  def lead
    Reference.where(stage: "set").to(:page, @from.value).includes(:room, signpost: :parent).each { |row| send(row.use, row) if %w[front plan].include?(row.use) }
  end

  private

  def front(row)
    page = Page.read_by(@viewer).find_by(public_id: @to.value)
    holder = row.room || House.current
    return unless page && Pundit.policy!(@viewer, holder).public_send(row.room ? :edit? : :settings?) && (row.room.nil? || page.room_id == row.room_id)

    holder.update!(front_page: page)
  end

  def plan(row)
    row.signpost.update!(target: @to.to_s) if Pundit.policy!(@viewer, row.signpost.above).add_page?
  end
end
