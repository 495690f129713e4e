class Pages::ComparisonsController < ApplicationController
  include OnPage

  skip_before_action :sign_in_first

  def show
    @comparison = StateComparison.new(@page, viewer, from: params[:from].to_s, to: params[:to].to_s)
  end
end
