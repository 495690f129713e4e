class ProfilesController < ApplicationController
  door :somebody

  def edit
    @person = viewer.person
  end

  def update
    @person = viewer.person
    return redirect_to(edit_profile_path, status: :see_other, notice: t(".done")) if @person.update(fields(:person).permit(:name, :single_keys, :theme, :time_zone, :language, :sites_apart, :occupation, :contact, :spoken, :shows_email))

    render :edit, status: :unprocessable_entity
  end
end
