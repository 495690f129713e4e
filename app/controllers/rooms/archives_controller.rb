# Closing a room to writing, and opening it again.
class Rooms::ArchivesController < ApplicationController
  before_action { @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id]) }
  door :archive

  def create
    @room.archive(by: viewer.person)
    undo room_archive_path(@room), method: :delete
    redirect_to @room, status: :see_other, notice: t(".done")
  end

  def destroy
    @room.reopen(by: viewer.person)
    redirect_to @room, status: :see_other, notice: t(".done")
  end
end
