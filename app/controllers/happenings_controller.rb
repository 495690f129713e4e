# The record of the house, for administrators.
class HappeningsController < ApplicationController
  door :read_record, of: House

  FAILED = 24 # hours that are listed

  def index
    @record = Record.new(kind: params[:kind], who: params[:who])
    @pagy, @happenings = pagy(@record.happenings.includes(:person, :page, :room), limit: 50)
    @reader = HappeningReader.new(@happenings.to_a, viewer)
    @failed = FailedSignIns.newest_first.limit(FAILED) if @record.kind == "signing_in"
  end
end
