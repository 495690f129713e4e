class PeopleController < ApplicationController
  door :people, of: House
  before_action :find_person, only: %i[edit update]

  def index
    @pagy, @people = pagy(Person.by_name.includes(:groups, :slip, picture_attachment: :blob), limit: 50)
  end

  def edit; end

  # An address is changed once the old and the new one have agreed.
  def update
    name, email = fields(:person).values_at(:name, :email)
    change = EmailChange.ask(@person, email) if email.present? && email.strip.downcase != @person.email
    change&.errors&.each { |error| @person.errors.add(:email, error.type) }
    return redirect_to(people_path, status: :see_other, notice: [ t(".done", name: @person.name), (t(".asked", email: change.email) if change) ].compact.join(" ")) if change.nil? || change.persisted? ? @person.change(name: name || @person.name, by: viewer.person) : false

    render :edit, status: :unprocessable_entity
  end

  private

  def find_person
    @person = Person.find_by!(public_id: params[:id])
    raise Pundit::NotAuthorizedError unless @person.open_for_change_by?(viewer.person)
  end
end
