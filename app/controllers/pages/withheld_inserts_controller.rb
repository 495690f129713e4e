# How many readers of a page would not be shown another page that is inserted in it.
class Pages::WithheldInsertsController < ApplicationController
  include OnPage

  door :edit

  def show
    inserted = Page.seen_by(viewer).find_by!(public_id: params[:page].to_s)
    count = Zuhause::Access.withheld(@page.access_list.to_list, inserted.access_list.to_list, [ *Person.viewers, Zuhause::Access::Viewer.outside ], viewer.switches,
                                     published: inserted.published?).size
    render json: { count: count, words: (t(".withheld", count: count, title: inserted.title) if count.positive?) }
  end
end
