class Pages::SendingBacksController < ApplicationController
  include OnPage

  door :look_over

  def create
    review = @page.send_back(reason: fields(:review)[:reason].to_s, by: viewer.person)
    return redirect_to(page_review_path(@page), status: :see_other, alert: review.errors.full_messages.to_sentence) if review.errors.any?

    redirect_to Viewer.new(viewer.person).sees?(@page.reload) ? page_path(@page) : reviews_path, status: :see_other, notice: t(".done")
  end
end
