# Controllers of the access to a page or a room the viewer sees.
module OnPlace
  extend ActiveSupport::Concern
  include LooksFirst, FindsPlace

  NAMED = 8 # people whose names a button can say

  private

  # Says first what a change of access opens and closes, and makes it once that has been seen.
  #
  # @param act [Symbol] see Zuhause::Happenings::Acts::TABLE
  # @param exposing [#call] tells what it opens and closes, for some holders
  # @param holders [Array<Zuhause::Access::Holder>] to whom it is given, each with a record of its own
  # @yield makes the change; with holders once for each
  def expose(act, exposing, holders: [], level: nil, ends_on: nil, &change)
    exposure = exposing.call(holders)
    return shut_out if shuts_out?(exposure)

    doing = { act: act, place: @place, level: level, holders: holders.presence, ends_on: ends_on }
    return unless (ends_on.nil? && said?(exposure, holders, level)) || looked_at?(exposure, doing, back: access_path, besides: [ (helpers.ending_words(ends_on) if ends_on) ].compact)

    @place.transaction do
      each_of(holders) do |holder|
        each_exposure = holders.many? ? exposing.call([ holder ]) : exposure
        @place.record_access(act, by: viewer.person, exposure: each_exposure, holder: holder, level: level, ends_on: ends_on) { change.call(holder) }
      end
    end
    seen = Viewer.new(viewer.person).level_on(@place.reload) != :none
    respond_to do |format|
      format.html { redirect_to(seen ? access_path : root_path, status: :see_other, notice: t("access_grants.changed")) }
      format.json { head :no_content }
    end
  end

  def each_of(holders, &change)
    holders.empty? ? change.call(nil) : holders.each(&change)
  end

  # Whether the button that was pressed said all there is to be said.
  def said?(exposure, holders, level)
    params[:said].present? && direct?(exposure, holders) && params[:said] == helpers.opening_words(holders, level, exposure)
  end

  # Where people only gain, and all of them are named, nothing has to be looked at first.
  def direct?(exposure, holders)
    holders.any? && holders.size <= NAMED && holders.all? { |holder| holder.kind == :person } && exposure.only_gains? && exposure.withheld.zero? &&
      exposure.shifts.all? { |shift| holders.any? { |holder| holder.id == shift.person.id } }
  end

  # Nobody shuts themselves out of a page with its own list by mistake; somebody else who keeps it can.
  def shuts_out?(exposure)
    @page&.own_list? && exposure.closed.any? { |shift| shift.person.id == viewer.person.id }
  end

  def shut_out
    redirect_to access_path, status: :see_other, alert: t("access_grants.shut_out")
  end

  def access_path
    @page ? page_access_path(@page) : room_access_path(@room)
  end
end
