# Controllers of the maintenance desk, which tells of what one keeps, of a room, of somebody else's pages or of all.
module OnDesk
  extend ActiveSupport::Concern

  included do
    helper_method :desk
    class_attribute :told_at_first, instance_accessor: false # of whom, where nothing is said
  end

  private

  def desk
    @desk ||= Desk.new(DeskScope.new(viewer, of: params[:of].presence || self.class.told_at_first, room: word(:room).presence, person: word(:person).presence))
  end
end
