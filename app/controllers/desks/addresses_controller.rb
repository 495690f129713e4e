# Addresses of other sites, and what came of asking for them.
class Desks::AddressesController < ApplicationController
  include OnDesk
  self.told_at_first = "house"

  door :somebody

  def index
    @seen = SeenAddresses.new(viewer, filter: params[:show].to_s, within: desk.scope.pages)
    @counts = @seen.counts
    @pagy = paged(@seen.count, limit: 20)
    @addresses = @seen.addresses(limit: @pagy.limit, offset: @pagy.offset)
    @places = PlacesLedFrom.new(:target_id, @addresses.map(&:address), viewer)
  end
end
