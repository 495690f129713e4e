# Where the links lead with which the old and the new address agree to a change.
class EmailChangesController < ApplicationController
  include SecretAddress

  door :anybody
  before_action { @change = EmailChange.at(params[:id]) or raise ActiveRecord::RecordNotFound }

  def show; end

  def update
    done = @change.agree(params[:id])
    redirect_to(viewer.signed_in? ? root_path : new_person_session_path, status: :see_other, notice: t(done ? ".done" : ".half"))
  end
end
