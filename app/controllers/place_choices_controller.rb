# Places for a page, while somebody types the title of one.
class PlaceChoicesController < ApplicationController
  door :somebody

  def index
    @groups = Places.new(viewer).found(params[:q], except: params[:except].presence && Page.seen_by(viewer).find_by(public_id: params[:except]))
    render layout: false
  end
end
