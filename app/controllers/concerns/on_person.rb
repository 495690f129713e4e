# What administrators do about one person.
module OnPerson
  extend ActiveSupport::Concern
  include LooksFirst

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
    exposure = Exposed.of_house(people_after: { @person.id => changed.to_viewer(@person.memberships.pluck(:group_id)) })
    return unless looked_at?(exposure, { act: :person, name: @person.name_in_database }, back: edit_person_path(@person))
    return redirect_to(edit_person_path(@person), status: :see_other, notice: t("people.update.done", name: @person.name)) if @person.change(**attributes, by: viewer.person)

    render "people/edit", status: :unprocessable_entity
  end
end
