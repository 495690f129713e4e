# Headings and links that the plan holds besides pages.
class SignpostsController < ApplicationController
  before_action :find_room
  before_action :find_signpost, except: %i[new create]

  def new
    @above = place(params[:above])
    @signpost = Signpost.new(kind: params[:kind].presence_in(Signpost::KINDS) || "heading", above: @above)
  end

  def create
    @above = place(params[:above])
    @signpost = Signpost.new(kind: params.dig(:signpost, :kind).presence_in(Signpost::KINDS) || "heading")
    save(:new)
  end

  def edit; end

  def update
    save(:edit)
  end

  def destroy
    @signpost.destroy!
    redirect_to @above, status: :see_other, notice: t(".done")
  end

  private

  def find_room
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
  end

  def find_signpost
    @signpost = @room.signposts.find(params[:id])
    @above = place(@signpost.above.public_id)
  end

  # @return [Room, Page] in this room, where the viewer may add to the plan
  def place(public_id)
    found = public_id.blank? || public_id == @room.public_id ? @room : @room.pages.merge(Page.seen_by(viewer)).find_by!(public_id: public_id)
    authorize found, :add_page?
    found
  end

  def save(form)
    @signpost.assign_attributes(fields(:signpost).permit(:title, :target).merge(above: @above))
    @signpost.target = PageAddresses.new(request.base_url, viewer).to_target(@signpost.target)
    before = params[:before].present? ? below(@above).find_by!(public_id: params[:before]) : nil
    return render(form, status: :unprocessable_entity) unless @signpost.valid?

    @signpost.before_id == before&.id && @signpost.persisted? ? @signpost.save! : @signpost.stand(above: @above, before: before)
    redirect_to @above, status: :see_other, notice: t("signposts.saved")
  end

  helper_method def below(place)
    @room.pages.merge(Page.seen_by(viewer)).where(ancestry: place.is_a?(Room) ? "/" : place.child_ancestry).order(:position)
  end
end
