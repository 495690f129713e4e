# Controllers of something that belongs to a remark the viewer may read.
module OnRemark
  extend ActiveSupport::Concern
  include Talks

  included do
    before_action :find_remark
  end

  private

  def find_remark
    @remark = Remark.kept.seen_by(viewer).find_by!(public_id: params[:remark_id] || params[:id])
    @page, @room = @remark.page, @remark.place.room
    @place = @remark.place
  end

  # @raise [Pundit::NotAuthorizedError]
  def only_if(allowed)
    raise Pundit::NotAuthorizedError unless allowed
  end
end
