# A page's icon, cover picture and language.
class Pages::LooksController < ApplicationController
  include OnPage

  door :edit

  def edit; end

  def update
    return render(:edit, status: :unprocessable_entity) unless @page.update(fields(:page).permit(:icon, :language))

    @page.update!(cover: nil) if params[:page][:no_cover] == "1"
    attempt(:cover) { |upload| @page.cover_with(upload, by: viewer.person) }
    attempt(:own_icon) { |upload| @page.icon_with(upload, by: viewer.person) }
    return render(:edit, status: :unprocessable_entity) if @page.errors.any?

    redirect_to @page, status: :see_other, notice: t(".done")
  end

  private

  # @param field [Symbol] of the form, with a picture; what is wrong with it is told beside it
  def attempt(field)
    yield params[:page][field] if params[:page][field].present?
  rescue FileFit::Unfit => e
    @page.errors.add(field, t(e.message == "no_picture" ? ".no_picture" : "pages.files.create.#{e.message}", limit: FileFit::LARGEST / 1.megabyte))
  end
end
