# The mails that the house has sent, for administrators.
class SentMailsController < ApplicationController
  door :read_mails, of: House

  def index
    @pagy, @mails = pagy(SentMail.newest_first, limit: 50)
  end

  def show
    @mail = SentMail.find(params[:id])
  end
end
