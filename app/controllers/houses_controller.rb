class HousesController < ApplicationController
  door :house, of: House

  def edit; end

  def update
    settings = params.require(:house).permit(:name, :guests, :public_addresses, :bin_days, :front_page, :sites_apart)
    practice = params[:house][:practice]&.then { |given| given == "1" }
    front = settings.delete(:front_page)
    house.front_page = FrontPage.chosen(house, front, viewer) unless front.nil?
    return unless confirmed?(settings)

    return redirect_to(edit_house_path, status: :see_other, notice: t(".done")) if house.furnish(settings, practice: practice, by: viewer.person)

    render :edit, status: :unprocessable_entity
  end

  private

  # Says first what turning a switch opens and closes.
  def confirmed?(settings)
    @exposure = Exposed.of_house(switches_after: house.dup.tap { |changed| changed.assign_attributes(settings) }.switches)
    return true if @exposure.none? || params[:confirmed]

    @back = edit_house_path
    @doing = { act: :switches }
    render "accesses/confirm"
    false
  end
end
