# The list under the find field.
class SuggestionsController < ApplicationController
  door :anybody

  def index
    @suggestions = Suggestions.new(params[:q], viewer)
    render layout: false
  end
end
