class GroupsController < ApplicationController
  include LooksFirst
  door :groups, of: House
  before_action :find_group, only: %i[edit update destroy]

  def index
    @pagy, @groups = pagy(Group.by_name.includes(:people), limit: 50)
  end

  def new
    @group = Group.new
  end

  def create
    @group = Group.new
    save(:new, t(".done"))
  end

  def edit; end

  def update
    save(:edit, t(".done"))
  end

  def destroy
    return unless looked?([])
    return redirect_to(groups_path, status: :see_other, notice: t(".done", name: @group.name)) if @group.remove(by: viewer.person)

    render :edit, status: :unprocessable_entity
  end

  private

  def find_group
    @group = Group.find_by!(public_id: params[:id])
  end

  def save(form, notice)
    name, ids = fields(:group).permit(:name, people: []).values_at(:name, :people)
    people = Person.where(public_id: Array(ids))
    return unless @group.new_record? || looked?(people)
    return redirect_to(groups_path, status: :see_other, notice: notice) if @group.change(name: name, people: people, by: viewer.person)

    render form, status: :unprocessable_entity
  end

  # Says first what it opens and closes that people join, leave, or have no such group any more.
  def looked?(people)
    looked_at?(@group.exposure_with(people), { act: action_name == "destroy" ? :group_removed : :group, name: @group.name_in_database }, back: edit_group_path(@group))
  end
end
