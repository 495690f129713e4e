# What is shown when no controller could answer.
class ErrorsController < ApplicationController
  door :anybody

  skip_forgery_protection

  alias answer_not_found not_found

  def not_found
    answer_not_found
  end

  def refused
    render "errors/refused", formats: :html, status: params[:status].to_i
  end

  def broken
    render "errors/broken", formats: :html, status: :internal_server_error
  end
end
