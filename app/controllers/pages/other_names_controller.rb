# The other names of a page, kept where it is renamed.
class Pages::OtherNamesController < ApplicationController
  include OnPage

  door :rename

  def update
    names = word(:names).lines
    return redirect_to(@page, status: :see_other, notice: t(".done")) if @page.name_also(names, by: viewer.person)

    @names = names
    render "pages/titles/edit", status: :unprocessable_entity
  end
end
