class RoomsController < ApplicationController
  before_action :find_room, only: %i[show edit update]
  door :seen, only: :show, signed_out: true
  door :make_room, of: Room, only: %i[new create]
  door :describe_room, only: %i[edit update]

  LED_TO = 20 # pages elsewhere that the plan of a new room links to
  OPEN = 80 # pages of a room that are listed whole, with all that is below

  def show
    @plan = Plan.new(viewer, room: @room)
    @branches = open_branches
    @front = FrontPage.shown(@room, viewer)
  end

  def new
    @room = Room.new(colour: Room.rarest_colour(Room.seen_by(viewer)))
  end

  def create
    @room = Room.new(room_params)
    if @room.open_for(viewer.person, open: params[:open] == "everyone")
      @room.lead_to(Page.read_by(viewer).where(public_id: Array(params[:pages]).first(LED_TO)).order(:id))
      return redirect_to(@room, status: :see_other, notice: t(".done"))
    end

    render :new, status: :unprocessable_entity
  end

  def edit; end

  def update
    return redirect_to(@room, status: :see_other, notice: t(".done")) if @room.describe(room_params, by: viewer.person)

    render :edit, status: :unprocessable_entity
  end

  private

  def find_room
    @room = Room.seen_by(viewer).find_by!(public_id: params[:id])
  end

  def room_params
    permitted = fields(:room).permit(:name, :description, :colour, :front_page, :editions_thinned_after, in_languages: Room.other_languages.index_with { Room.longest_words.keys })
    front = permitted.delete(:front_page)
    permitted[:front_page] = FrontPage.chosen(@room, front, viewer).then { |page| page if page.nil? || page.room == @room } if front && @room
    permitted
  end

  # Two steps down where that fits on a screen.
  def open_branches
    pages = @plan.top.items.filter_map(&:page)
    pages.size + @plan.top.items.sum { |item| item.size.to_i } > OPEN ? {} : Branch.load(viewer, @room, Page.seen_by(viewer).where(room: @room).to_a).transform_keys(&:id)
  end
end
