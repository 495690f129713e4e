class PeopleController < ApplicationController
  include RoleParams, Pagy::Backend

  before_action { authorize House, :people? }
  before_action :find_person, only: %i[edit update]

  def index
    @pagy, @people = pagy(Person.by_name.includes(:groups, picture_attachment: :blob), limit: 50)
  rescue Pagy::OverflowError
    raise ActiveRecord::RecordNotFound
  end

  def new
    @person = Person.new
  end

  def create
    @person = Person.new(params.require(:person).permit(:name, :email, :password))
    @person.assign_attributes(role_and_office)
    return redirect_to(people_path, status: :see_other, notice: t(".done", name: @person.name)) if @person.save

    render :new, status: :unprocessable_entity
  end

  def edit; end

  def update
    return redirect_to(people_path, status: :see_other, notice: t(".done", name: @person.name)) if @person.update(params.require(:person).permit(:name, :email))

    render :edit, status: :unprocessable_entity
  end

  private

  def find_person
    @person = Person.find_by!(public_id: params[:id])
  end
end
