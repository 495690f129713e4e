# Accounts for many at once, from a table: it is looked at first, and makes slips to print.
class AccountsController < ApplicationController
  LARGEST = 1.megabyte

  door :people, of: House

  def new; end

  def create
    @text = given.to_s
    return refuse(:too_large) if @text.bytesize > LARGEST

    @accounts = NewAccounts.new(@text)
    return refuse(@accounts.problem) if @accounts.problem
    return render(:look) unless params[:looked] == helpers.accounts_digest(@text)

    @slips = @accounts.make(by: viewer.person, only_right: params[:only_right] == "1")
    return render(:look, status: :unprocessable_entity) if @slips.empty?

    response.headers["Cache-Control"] = "no-store"
    render :slips
  end

  private

  def given
    file = params[:file]
    file.respond_to?(:read) ? file.read(LARGEST + 1).to_s.force_encoding("UTF-8").scrub : params[:text]
  end

  def refuse(problem)
    @problem = t(".problems.#{problem}", most: Zuhause::Inviting::AccountTable::MOST)
    render :new, status: :unprocessable_entity
  end
end
