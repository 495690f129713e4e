# What is done to one thing of a list that is worked through: one goes back to the list, or is told by what it is taken back.
module WorksThrough
  extend ActiveSupport::Concern

  private

  # @param said [String] what was done
  # @param taken_back_by [String, nil] the address whose deletion takes it back
  def worked_on(said, taken_back_by: nil, place: @page)
    respond_to do |format|
      format.json { render json: { said: said, undo: taken_back_by }.compact }
      format.html { redirect_to url_from(params[:back]) || place, status: :see_other, notice: said }
    end
  end
end
