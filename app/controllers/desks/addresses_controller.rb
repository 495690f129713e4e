# Addresses of other sites, and what came of asking for them.
class Desks::AddressesController < ApplicationController
  door :somebody

  PER_PAGE = 20

  def index
    @seen = SeenAddresses.new(viewer, filter: params[:of].to_s)
    @counts = @seen.counts
    @pagy = Pagy.new(count: @seen.count, page: pagy_get_page({}), limit: PER_PAGE)
    @addresses = @seen.addresses(limit: PER_PAGE, offset: @pagy.offset)
    writable = Page.writable_by(viewer).where(id: Reference.to(:web, @addresses.map(&:address)).where(stage: "draft").select(:page_id))
    @mendable = Reference.to(:web, @addresses.map(&:address)).where(stage: "draft", page_id: writable).distinct.pluck(:target_id).to_set
  end
end
