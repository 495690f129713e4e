# Marking a page as out of date, with what to read instead, and taking the mark off.
class Pages::OutOfDateMarksController < ApplicationController
  include OnPage, WorksThrough

  door :outdate
  before_action(except: :destroy) { @back = url_from(params[:back]) }

  def new
    @mark = @page.out_of_date_mark || OutOfDateMark.new(page: @page)
  end

  def create
    given = fields(:mark)
    wanted = WantedTarget.new(given[:see].to_s, viewer, base_url: request.base_url, from: nil) if given[:see].present?
    see = Page.seen_by(viewer).find_by(public_id: wanted.target.value) if wanted&.target&.kind == :page
    return ask_again(given, wanted) if wanted && see.nil?

    @mark = acting_on(@page, :outdate?) { OutOfDateMark.put(@page, by: viewer.person, words: given[:words].to_s, see: see) }
    return render(:new, status: :unprocessable_entity) if @mark.errors.any?

    undo page_out_of_date_mark_path(@page), method: :delete
    worked_on(t(".done"), taken_back_by: page_out_of_date_mark_path(@page))
  end

  def destroy
    acting_on(@page, :outdate?) { @page.out_of_date_mark&.end(by: viewer.person) }
    worked_on(t(".done"))
  end

  private

  def ask_again(given, wanted)
    @mark = OutOfDateMark.new(page: @page, words: given[:words].to_s)
    @mark.errors.add(:see, wanted.choices.any? ? :several : :unknown)
    @choices = wanted.choices
    render :new, status: :unprocessable_entity
  end
end
