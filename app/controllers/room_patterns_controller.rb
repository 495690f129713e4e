# What rooms for teams are made from, kept by administrators.
class RoomPatternsController < ApplicationController
  door :house, of: House
  before_action(only: %i[edit update destroy]) { @pattern = RoomPattern.find_by!(public_id: params[:id]) }

  def index
    @patterns = RoomPattern.by_name.includes(:parts).to_a
  end

  def new
    @pattern = RoomPattern.none? ? RoomPattern.department : RoomPattern.new(everyone: "read", team: "write")
  end

  def create
    @pattern = RoomPattern.new
    keep(:new)
  end

  def edit; end

  def update
    keep(:edit)
  end

  def destroy
    @pattern.remove(by: viewer.person)
    redirect_to room_patterns_path, status: :see_other, notice: t(".done", name: @pattern.name)
  end

  private

  def keep(form)
    given = fields(:room_pattern)
    attributes = given.permit(:name, :description, :everyone, :team)
    return redirect_to(room_patterns_path, status: :see_other, notice: t(".done")) if @pattern.keep(attributes, parts: parts(given), by: viewer.person)

    render form, status: :unprocessable_entity
  end

  def parts(given)
    rows = given.permit(parts: [ %i[title shut template_key] ])[:parts] || []
    rows.first(Zuhause::Access::Pattern::MOST_PARTS * 2).map { |row| { title: row[:title].to_s, shut: row[:shut] == "1", template_key: row[:template_key] } }
  end
end
