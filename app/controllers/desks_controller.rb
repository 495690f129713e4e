# The maintenance desk: what needs care, as far as one may know of it.
class DesksController < ApplicationController
  include OnDesk

  door :somebody

  def show
    @counts = desk.counts
    @asking = AccessRequest.for_keeper(viewer).count
    @sought = Sought.count_of_told if policy(House).terms? && house.gathers_sought?
  end
end
