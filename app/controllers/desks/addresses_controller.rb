# Addresses of other sites, and what came of asking for them.
class Desks::AddressesController < ApplicationController
  door :somebody

  PER_PAGE = 20

  def index
    @seen = SeenAddresses.new(viewer, filter: params[:of].to_s)
    @counts = @seen.counts
    @pagy = Pagy.new(count: @seen.count, page: pagy_get_page({}), limit: PER_PAGE)
    @addresses = @seen.addresses(limit: PER_PAGE, offset: @pagy.offset)
    @places = PlacesLedFrom.new(:target_id, @addresses.map(&:address), viewer)
  end
end
