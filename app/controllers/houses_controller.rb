class HousesController < ApplicationController
  before_action { authorize House, :settings? }

  def edit; end

  def update
    settings = params.require(:house).permit(:name, :guests, :public_addresses)
    return redirect_to(edit_house_path, status: :see_other, notice: t(".done")) if house.update(settings)

    render :edit, status: :unprocessable_entity
  end
end
