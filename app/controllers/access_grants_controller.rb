class AccessGrantsController < ApplicationController
  include OnPlace

  before_action { authorize @place, :grant? }

  def create
    holder = chosen_holder
    return refuse(t(".who_missing")) unless holder && level_param

    change(:given, holder, level_param)
  end

  def update
    return refuse(t(".level_missing")) unless level_param

    change(:changed, grant.to_grant.holder, level_param)
  end

  def destroy
    change(:taken, grant.to_grant.holder, :none)
  end

  private

  def grant
    @grant ||= @place.access_grants.find(params[:id])
  end

  def level_param
    level = params[:level].to_s.to_sym
    level if Viewer::LEVELS.key?(level)
  end

  # @return [Zuhause::Access::Holder, nil]
  def chosen_holder
    kind, id = params[:holder].to_s.split(":", 2)
    case kind
    when "person" then Person.find_by(public_id: id)&.then { |person| Zuhause::Access::Holder.new(:person, person.id) }
    when "group" then Group.find_by(id: id)&.then { |group| Zuhause::Access::Holder.new(:group, group.id) }
    when "everyone" then Zuhause::Access::Holder.everyone
    when "anyone" then Zuhause::Access::Holder.anyone if house.public_addresses?
    end
  end

  def change(act, holder, level)
    expose(act, holder: holder.to_s, level: level) { @place.grant(holder, level) }
  rescue Placed::NoKeeper
    refuse(t("access_grants.no_keeper"))
  end

  def refuse(message)
    @place.reload
    @panel = AccessPanel.new(@place, viewer)
    @error = message
    render "accesses/show", status: :unprocessable_entity
  end
end
