# What a page is called: its title, without publishing anything else, and its other names.
class Pages::TitlesController < ApplicationController
  include OnPage

  door :rename

  def edit; end

  def update
    had, @names = @page.title, (word(:names).lines if params.key?(:names))
    if @page.call_by(fields(:page)[:title].to_s, @names, by: viewer.person)
      return redirect_to(@page, status: :see_other, notice: t(@page.title == had ? ".kept" : ".done"))
    end

    render :edit, status: :unprocessable_entity
  end
end
