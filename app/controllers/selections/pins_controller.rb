class Selections::PinsController < ApplicationController
  include OnSelection

  door :somebody

  def create
    return unless all_may?(:pin?)

    Pin.insert_all(@pages.map { |page| { person_id: viewer.person.id, page_id: page.id, created_at: Time.current } })
    redirect_to back, status: :see_other, notice: t(".done", count: @pages.size)
  end
end
