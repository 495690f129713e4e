# Stopping to be told, from the address in a mail.
class StopsController < ApplicationController
  include SecretAddress

  door :anybody
  # A mail program may send this by itself, without having shown the page (RFC 8058).
  skip_forgery_protection only: :create
  before_action { @stopping = Stopping.at(params[:token]) or raise ActiveRecord::RecordNotFound }

  def show; end

  def create
    @stopping.stop
    render :done
  end
end
