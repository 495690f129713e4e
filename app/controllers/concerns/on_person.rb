# What administrators do about one person.
module OnPerson
  extend ActiveSupport::Concern

  included do
    door :people, of: House
    before_action { @person = Person.find_by!(public_id: params[:person_id]) }
    before_action { raise Pundit::NotAuthorizedError unless @person.open_for_change_by?(viewer.person) }
  end

  private

  # Says first what a change of a person opens and closes.
  #
  # @param attributes [Hash] what is to change
  def change(attributes)
    changed = @person.dup.tap { |person| person.assign_attributes(attributes) && person.id = @person.id }
    @exposure = Exposed.of_house(people_after: { @person.id => changed.to_viewer(@person.memberships.pluck(:group_id)) })
    return confirm unless @exposure.none? || params[:confirmed]
    return redirect_to(edit_person_path(@person), status: :see_other, notice: t("people.update.done", name: @person.name)) if @person.change(**attributes, by: viewer.person)

    render "people/edit", status: :unprocessable_entity
  end

  def confirm
    @back = edit_person_path(@person)
    @doing = { act: :person, name: @person.name_in_database }
    render "accesses/confirm"
  end
end
