# A remark becomes a page, begun with its words.
class Remarks::PagesController < ApplicationController
  include OnRemark

  door :comment

  def create
    raise Pundit::NotAuthorizedError unless policy(@place).add_page?

    page = @remark.become_page(by: viewer.person)
    redirect_to edit_page_draft_path(page), status: :see_other, notice: t(".done")
  end
end
