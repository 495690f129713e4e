# The review of a page's draft: what has changed, what was said, who approved; asked for by writers.
class Pages::ReviewsController < ApplicationController
  include OnPage

  door :look_over, only: :show
  door :publish, only: %i[new create]
  door :look_over, only: :destroy

  def show
    @look = LookOver.new(@page, viewer)
  end

  def new
    @review = Review.new
    find_able
  end

  def create
    @review = @page.ask_for_review(by: viewer.person, invited: invited, **asked_for)
    return redirect_to(page_review_path(@page), status: :see_other, notice: t(".done")) if @review.persisted?

    find_able
    render :new, status: :unprocessable_entity
  rescue Review::Refused, Page::Publishing::Unchanged
    redirect_to page_path(@page), status: :see_other, alert: t(".refused")
  end

  def destroy
    @page.withdraw_review(by: viewer.person)
    redirect_to page_path(@page), status: :see_other, notice: t(".done")
  end

  private

  # Those whose approvals would count.
  def find_able
    @rule = @page.review_rule
    @able = @rule ? @rule.people & @page.reviewers(@rule, nil).able : []
  end

  def invited
    Person.active.where(public_id: Array.wrap(params[:people])).select { |person| viewer.meets?(person) }
  end

  def asked_for
    given = fields(:review)
    afterwards = given[:afterwards].presence || "by_hand"
    { note: given[:note].to_s, edition_note: given[:edition_note].to_s, afterwards: afterwards, publish_at: (own_time(given[:publish_at]) if afterwards == "at_time") }
  end
end
