# When somebody is away, and who looks over pages in their place.
class AbsencesController < ApplicationController
  door :somebody
  before_action { @absence = Absence.find_or_initialize_by(person: viewer.person) }

  def edit
    @absence.starts_on ||= Date.current
  end

  def update
    given = fields(:absence)
    deputy = Person.active.member.find_by(public_id: given[:deputy].to_s)
    @absence.assign_attributes(deputy: (deputy if deputy && viewer.meets?(deputy)), **given.permit(:starts_on, :ends_on))
    return redirect_to(reviews_path, status: :see_other, notice: t(".done")) if @absence.save

    render :edit, status: :unprocessable_entity
  end

  def destroy
    @absence.destroy if @absence.persisted?
    redirect_to reviews_path, status: :see_other, notice: t(".done")
  end
end
