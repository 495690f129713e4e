# Makes a room for a team from a pattern.
class RoomPatterns::RoomsController < ApplicationController
  door :make_room, of: Room
  before_action { @pattern = RoomPattern.includes(:parts).find_by!(public_id: params[:room_pattern_id]) }

  def new
    @room = Room.new(colour: Room.rarest_colour(Room.seen_by(viewer)))
  end

  def create
    @room = Room.new(fields(:room).permit(:name, :description, :colour))
    @team = Group.find_by(public_id: word(:team))
    @room.errors.add(:base, t(".no_team")) unless @team
    return redirect_to(@room, status: :see_other, notice: t(".done", team: @team.name)) if @team && @pattern.open(@room, team: @team, keeper: keeper, viewer: viewer)

    render :new, status: :unprocessable_entity
  end

  private

  # Administrators make rooms for others; everybody else keeps what they make.
  def keeper
    return viewer.person unless HousePolicy.new(viewer, house).settings? && params[:keeper].present?

    Person.active.member.find_by!(public_id: word(:keeper))
  end
end
