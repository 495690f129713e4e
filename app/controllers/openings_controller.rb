# Where the address of a circle leads: members see what it gives, and take it.
class OpeningsController < ApplicationController
  include SecretAddress

  door :somebody
  before_action do
    @circle = Circle.at(params[:id].to_s) if viewer.active_member?
    raise ActiveRecord::RecordNotFound unless @circle
  end

  def show; end

  def update
    @circle.open_to(viewer.person)
    redirect_to polymorphic_path(@circle.place), status: :see_other, notice: t(".done")
  end
end
