class PeopleController < ApplicationController
  before_action { authorize House, :people? }
  before_action :find_person, only: %i[edit update]

  def index
    @people = Person.by_name.includes(:groups)
  end

  def new
    @person = Person.new
  end

  def create
    @person = Person.new(person_params)
    return redirect_to(people_path, status: :see_other, notice: t(".done", name: @person.name)) if @person.save

    render :new, status: :unprocessable_entity
  end

  def edit; end

  def update
    changes = person_params
    changes.delete(:password) if changes[:password].blank?
    return redirect_to(people_path, status: :see_other, notice: t(".done", name: @person.name)) if @person.change(changes)

    render :edit, status: :unprocessable_entity
  end

  private

  def find_person
    @person = Person.find_by!(public_id: params[:id])
  end

  def person_params
    permitted = params.require(:person).permit(:name, :email, :password, :role, :office, :suspended)
    permitted.delete(:office) if permitted[:office] == "owner" || @person&.office_owner?
    permitted
  end
end
