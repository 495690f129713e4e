# A new slip for somebody who has not begun yet, and has lost theirs, or whose code is too old.
class People::SlipsController < ApplicationController
  include OnPerson

  before_action { raise ActiveRecord::RecordNotFound unless @person.slip }

  def create
    response.headers["Cache-Control"] = "no-store"
    @slips = { @person => Slip.write(@person) }
    render "accounts/slips"
  end
end
