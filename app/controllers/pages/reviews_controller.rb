# The review of a page's draft: what has changed, what was said, who approved; asked for by writers.
class Pages::ReviewsController < ApplicationController
  include OnPage

  door :look_over, only: :show
  door :publish, only: %i[new create]
  door :look_over, only: :destroy
  before_action(only: :show) { look }

  def show
  end

  def new
    @rule = @page.review_rule
    @review = Review.new
  end

  def create
    @review = @page.ask_for_review(by: viewer.person, note: fields(:review)[:note].to_s)
    return redirect_to(page_review_path(@page), status: :see_other, notice: t(".done")) if @review.persisted?

    @rule = @page.review_rule
    render :new, status: :unprocessable_entity
  rescue Review::Refused, Page::Publishing::Unchanged
    redirect_to page_path(@page), status: :see_other, alert: t(".refused")
  end

  def destroy
    @page.withdraw_review(by: viewer.person)
    redirect_to page_path(@page), status: :see_other, notice: t(".done")
  rescue Review::Refused
    raise Pundit::NotAuthorizedError
  end

  private

  def look
    @rule, @review = @page.review_rule, @page.review
    @standing = @page.review_standing(rule: @rule, review: @review)
    @comparison = StateComparison.new(@page, viewer, from: @page.edition.number.to_s, to: "draft") if @page.published? && @page.unpublished_changes?
  end
end
