class RoomsController < ApplicationController
  skip_before_action :sign_in_first, only: :show
  before_action :find_room, only: %i[show edit update]

  def show
    @plan = Plan.new(viewer, room: @room)
  end

  def new
    authorize Room, :create?
    @room = Room.new(colour: Room::COLOURS.first)
  end

  def create
    authorize Room, :create?
    @room = Room.new(room_params)
    return redirect_to(@room, status: :see_other, notice: t(".done")) if @room.open_for(viewer.person, open: params[:open] == "everyone")

    render :new, status: :unprocessable_entity
  end

  def edit
    authorize @room
  end

  def update
    authorize @room, :edit?
    return redirect_to(@room, status: :see_other, notice: t(".done")) if @room.update(room_params)

    render :edit, status: :unprocessable_entity
  end

  private

  def find_room
    @room = Room.seen_by(viewer).find_by!(public_id: params[:id])
  end

  def room_params
    params.require(:room).permit(:name, :description, :colour)
  end
end
