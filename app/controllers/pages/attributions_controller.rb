# Who wrote which part of a page, beside its text.
class Pages::AttributionsController < ApplicationController
  include OnPage

  door :seen

  def show
    draft = params[:of] == "draft" || !@page.published?
    raise ActiveRecord::RecordNotFound if draft && viewer.sight_of(@page) != :draft

    @written = WrittenBy.new(@page, viewer, stage: draft ? "draft" : "edition")
  end
end
