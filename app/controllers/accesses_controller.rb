# The panel behind the facts line: who can get in, and why.
class AccessesController < ApplicationController
  include OnPlace

  door :seen

  def show
    raise ActiveRecord::RecordNotFound if @page.nil? && !policy(@room).look_around?

    @panel = AccessPanel.new(@place, viewer)
    @checked = @panel.check(Person.find_by!(public_id: word(:person))) if params[:person].present? && @panel.names?
    render layout: !request.headers["X-Fragment"]
  end
end
