# A branch of a room's plan, when it is opened.
class BranchesController < ApplicationController
  door :seen, signed_out: true

  def index
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id])
    above = params[:above].present? ? @room.pages.merge(Page.seen_by(viewer)).at_address(params[:above]) : @room
    @plan = Plan.new(viewer)
    @branch = Branch.load(viewer, @room, [ above ]).fetch(above)
    @from = params[:from].to_i.clamp(0, @branch.size)
    render layout: false
  end
end
