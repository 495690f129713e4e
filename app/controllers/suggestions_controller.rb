# The list under the find field.
class SuggestionsController < ApplicationController
  skip_before_action :sign_in_first

  def index
    @suggestions = Suggestions.new(params[:q], viewer)
    render layout: false
  end
end
