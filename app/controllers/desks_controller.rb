# The maintenance desk: what needs care, as far as one may know of it.
class DesksController < ApplicationController
  door :somebody

  def show
    @promised = PromisedPages.new(viewer).count
    @broken = BrokenLinks.new(viewer).count
    @addresses = SeenAddresses.new(viewer).count
    @ambiguous = PromisedPages.new(viewer).ambiguous.group_by(&:title).size
    @loose = LoosePages.new(viewer).count
    @names = UnlinkedNames.new(viewer).count
    @asking = AccessRequest.for_keeper(viewer).count
    @sought = Sought.count_of_told if policy(House).terms? && house.gathers_sought?
  end
end
