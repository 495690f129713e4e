# Controllers of the access to a page or a room the viewer sees.
module OnPlace
  extend ActiveSupport::Concern

  included do
    before_action :find_place
  end

  private

  def find_place
    @place = if params[:page_id] then Page.seen_by(viewer).at_address(params[:page_id])
    else Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    end
    @page = @place if @place.is_a?(Page)
    @room = @place.room
  end

  # Says first what a change of access opens and closes, and makes it once that has been seen.
  #
  # @param act [Symbol] see AccessEvent
  def expose(act, **details, &change)
    exposure = @place.exposure_of(&change)
    return shut_out if shuts_out?(exposure)

    return confirm(exposure, act, details) unless exposure.none? || params[:confirmed]

    @place.transaction do
      change.call
      AccessEvent.record(act, @place, by: viewer.person, exposure: exposure, **details)
    end
    seen = Viewer.new(viewer.person).level_on(@place.reload) != :none
    redirect_to(seen ? access_path : root_path, status: :see_other, notice: t("access_grants.changed"))
  end

  # Nobody shuts themselves out of a page with its own list by mistake; somebody else who keeps it can.
  def shuts_out?(exposure)
    @page&.own_list? && exposure.closed.any? { |shift| shift.person.id == viewer.person.id }
  end

  def shut_out
    redirect_to access_path, status: :see_other, alert: t("access_grants.shut_out")
  end

  def confirm(exposure, act, details)
    @exposure = exposure
    @doing = { act: act, place: @place, level: details[:level], holder: details[:holder] && Zuhause::Access::Holder.parse(details[:holder]) }
    render "accesses/confirm"
  end

  def access_path
    @page ? page_access_path(@page) : room_access_path(@room)
  end
end
