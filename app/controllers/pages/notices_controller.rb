# Telling a page to all people of a group or a room, and seeing who has looked since.
class Pages::NoticesController < ApplicationController
  include OnPage

  door :give_notice

  def index
    @notices = Notice.of(@page)
  end

  def new
    @groups, @rooms = Notice.choices(viewer)
  end

  def create
    to = Notice.choices(viewer).flatten.find { |each| Notice.key(each) == params[:to] }
    return refuse unless to

    Notice.give(@page, to: to, words: word(:words), by: viewer.person)
    redirect_to page_notices_path(@page), status: :see_other, notice: t(".done")
  end

  private

  def refuse
    new
    @wrong = true
    render :new, status: :unprocessable_entity
  end
end
