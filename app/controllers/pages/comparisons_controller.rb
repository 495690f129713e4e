class Pages::ComparisonsController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  def show
    @comparison = StateComparison.new(@page, viewer, from: params[:from].to_s, to: params[:to].to_s)
  end
end
