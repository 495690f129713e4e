# The latest changes of all that one may read.
class ChangesController < ApplicationController
  door :somebody

  PER_PAGE = 50

  def index
    @rooms = Room.seen_by(viewer).in_order.reject(&:practice?)
    @room = @rooms.find { |room| room.public_id == params[:room] }
    @changes = LatestChanges.new(viewer, room: @room, person: who, small: params[:small] == "1")
    @number = pagy_get_page({})
    found = @changes.happenings.offset((@number - 1) * PER_PAGE).limit(PER_PAGE + 1).to_a
    @happenings, @older = found.first(PER_PAGE), found.size > PER_PAGE
  end

  private

  # Of those whom one meets.
  def who
    @who = params[:who].presence && Person.find_by(public_id: params[:who])&.then { |person| person if viewer.meets?(person) }
  end
end
