# A page's icon, cover picture and language.
class Pages::LooksController < ApplicationController
  include OnPage

  before_action { authorize @page, :edit? }

  def edit; end

  def update
    return render(:edit, status: :unprocessable_entity) unless @page.update(params.require(:page).permit(:icon, :language))

    @page.update!(cover: nil) if params[:page][:no_cover] == "1"
    @page.cover_with(params[:page][:cover], by: viewer.person) if params[:page][:cover].present?
    redirect_to @page, status: :see_other, notice: t(".done")
  rescue PageFile::Unfit => e
    @page.errors.add(:cover, t(e.message == "no_picture" ? ".no_picture" : "pages.files.create.#{e.message}", limit: PageFile::LARGEST / 1.megabyte))
    render :edit, status: :unprocessable_entity
  end
end
