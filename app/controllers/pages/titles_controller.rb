# Renaming a page without publishing anything else.
class Pages::TitlesController < ApplicationController
  include OnPage

  door :rename

  def edit; end

  def update
    return redirect_to(@page, status: :see_other, notice: t(".done")) if @page.rename(fields(:page)[:title].to_s, by: viewer.person)

    render :edit, status: :unprocessable_entity
  end
end
