class AccessGrantsController < ApplicationController
  include OnPlace, LastDays

  MOST = 100 # in one go

  door :grant

  # What the button of the form says, while one chooses: what giving would open, where that is all there is to look at.
  def new
    exposure = @place.exposure_of_giving(chosen_holders, level_param, ends_on: last_day) if chosen_holders.any? && level_param && last_day != :wrong
    render json: { said: exposure && last_day.nil? && !exposure.none? && direct?(exposure, chosen_holders) ? helpers.opening_words(chosen_holders, level_param, exposure) : nil, look: exposure.present? && (!exposure.none? || last_day.present?) }
  rescue Placed::NoKeeper
    render json: { said: nil, look: true }
  end

  def create
    return refuse(t(".who_missing")) unless chosen_holders.any? && level_param
    return refuse(t("access_grants.wrong_day")) if last_day == :wrong

    change(:given, chosen_holders, level_param, ends_on: last_day)
  end

  def update
    return refuse(t(".level_missing")) unless level_param
    return refuse(t("access_grants.wrong_day")) if last_day == :wrong

    change(:changed, [ grant.to_grant.holder ], level_param, ends_on: last_day, instead: grant)
  end

  def destroy
    change(:taken, [ grant.to_grant.holder ], :none, instead: grant)
  end

  private

  def grant
    @grant ||= @place.access_grants.find(params[:id])
  end

  def level_param
    level = params[:level].to_s.to_sym
    level if Viewer::LEVELS.key?(level)
  end

  # @return [Array<Zuhause::Access::Holder>] none if one of them cannot be given anything
  def chosen_holders
    @chosen_holders ||= Array(params[:holders]).first(MOST).map(&:to_s).compact_blank.uniq.map { |name| holder_named(name) }.then { |found| found.any?(&:nil?) ? [] : found }
  end

  # @return [Zuhause::Access::Holder, nil]
  def holder_named(name)
    kind, id = name.split(":", 2)
    case kind
    when "person" then Person.find_by(public_id: id)&.then { |person| Zuhause::Access::Holder.new(:person, person.id) }
    when "group" then Group.find_by(public_id: id)&.then { |group| Zuhause::Access::Holder.new(:group, group.id) }
    when "everyone" then Zuhause::Access::Holder.everyone
    when "anyone" then Zuhause::Access::Holder.anyone if house.public_addresses?
    end
  end

  def change(act, holders, level, ends_on: nil, instead: nil)
    expose(act, ->(some) { @place.exposure_of_giving(some, level, ends_on: ends_on, instead: instead) }, holders: holders, level: level, ends_on: ends_on) do |holder|
      @place.grant(holder, level, ends_on: ends_on, instead: instead)
    end
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
