class GroupsController < ApplicationController
  before_action { authorize House, :groups? }
  before_action :find_group, only: %i[edit update]

  def index
    @groups = Group.by_name.includes(:people)
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

  private

  def find_group
    @group = Group.find(params[:id])
  end

  def save(form, notice)
    name, ids = params.require(:group).permit(:name, people: []).values_at(:name, :people)
    return redirect_to(groups_path, status: :see_other, notice: notice) if @group.change(name: name, people: Person.where(public_id: Array(ids)))

    render form, status: :unprocessable_entity
  end
end
