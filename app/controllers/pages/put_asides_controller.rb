# Putting a page aside, with all below it, and taking it up again.
class Pages::PutAsidesController < ApplicationController
  include OnPage

  door :put_aside

  def new
    @aside = PutAside.new
  end

  def create
    @aside = acting_on(@page, :put_aside?) { PutAside.put(@page, by: viewer.person, reason: fields(:put_aside)[:reason].to_s) }
    return render(:new, status: :unprocessable_entity) if @aside.errors.any?

    undo page_put_aside_path(@page), method: :delete
    redirect_to page_path(@page), status: :see_other, notice: t(".done")
  end

  def destroy
    acting_on(@page, :put_aside?) { @page.put_aside&.end(by: viewer.person) }
    redirect_to page_path(@page), status: :see_other, notice: t(".done")
  end
end
