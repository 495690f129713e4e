class HousesController < ApplicationController
  include LooksFirst

  door :house, of: House

  def edit; end

  def update
    settings = fields(:house).permit(:name, :guests, :public_addresses, :circles, :asking_to_join, :tells_readers, :bin_days, :joining_domains, :invited_by_keepers, :invitation_days, :arrival_megabytes, :front_page, :sites_apart, :checks_addresses, :own_hosts, :schemes, :gathers_sought)
    practice = params[:house][:practice]&.then { |given| given == "1" }
    front = settings.delete(:front_page)
    house.front_page = FrontPage.chosen(house, front, viewer) unless front.nil?
    return unless looked?(settings)

    return redirect_to(edit_house_path, status: :see_other, notice: t(".done")) if house.furnish(settings, practice: practice, by: viewer.person)

    render :edit, status: :unprocessable_entity
  end

  private

  # Says first what turning a switch opens and closes.
  def looked?(settings)
    changed = house.dup.tap { |copy| copy.assign_attributes(settings) }
    return true unless changed.valid?

    besides = [ *(joining_words(changed) if changed.joining_domains.present? && changed.joining_domains != house.joining_domains) ]
    besides += HouseNarrowed.new(house, changed).closed.map { |what, count| t("houses.edit.closes.#{what}", count: count) }
    exposure = Exposed.of_house(switches_after: changed.switches) unless changed.switches == house.switches && besides.empty?
    looked_at?(exposure, { act: :switches }, back: edit_house_path, besides: besides)
  end

  def joining_words(changed)
    t("houses.edit.joining_opens", domains: changed.joining_domains.split.to_sentence, count: Inviting.new(viewer).pages_for(:member, nil))
  end
end
