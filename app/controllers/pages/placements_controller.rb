# Moving a page with all below it, to another place or to another rank in its place.
class Pages::PlacementsController < ApplicationController
  include OnPage, LooksFirst

  door :edit

  def edit
    @places = Places.new(viewer)
  end

  def update
    @places = Places.new(viewer)
    above = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless above

    return refused unless may_move?(above)

    return refused unless may_stand_in?(above)

    exposure = @page.exposure_of_moving(above)
    return unless looked_at?(exposure, { act: :moved, place: @page, to: above }, back: page_access_path(@page), besides: helpers.review_sentences([ @page ], above))

    former = { above: @page.above.public_id, after: @page.page_before&.public_id.to_s }
    return refused unless move(above, exposure)

    moved(former)
  end

  private

  def may_move?(above)
    return true if policy(@page).move?(above)

    @page.errors.add(:base, :may_not_move)
    false
  end

  def may_stand_in?(above)
    @page.problem_of_standing_in(above).tap { |problem| @page.errors.add(:base, problem) if problem }.nil?
  end

  def move(above, exposure)
    acting_on(@page, ->(policy) { policy.edit? && policy.move?(above.class.find(above.id)) }) do
      @page.move(to: above, after: after(above), behind: behind(above), by: viewer.person, exposure: exposure)
    end
  end

  def look_path
    edit_page_placement_path(@page, above: params[:above], after: params[:after])
  end

  # Behind which page it is to stand; at the end where nothing is said, or where that page has gone elsewhere meanwhile.
  def after(above)
    return :last unless params.key?(:after)
    return if params[:after].blank?

    Page.seen_by(viewer).find_by(public_id: params[:after])&.then { |page| page.above == above && page != @page ? page : :last } || :last
  end

  # The heading or link that it is to stand directly behind, where that goes before the next page.
  def behind(above)
    above.room.signposts.find_by(id: params[:behind]) if params[:behind].present?
  end

  # @param former [Hash] where it stood, so that it can go back
  def moved(former)
    respond_to do |format|
      format.json { render json: { words: t(".spoken", title: @page.title, above: @page.above.then { |above| above.is_a?(Room) ? above.name : above.title }), former: former } }
      format.html { undo(page_placement_path(@page), method: :patch, **former) && redirect_to(Viewer.new(viewer.person).sees?(@page.reload) ? @page : root_path, status: :see_other, notice: t(".done")) }
    end
  end

  def refused
    respond_to do |format|
      format.json { render json: { error: @page.errors.full_messages.to_sentence }, status: :unprocessable_entity }
      format.html { render :edit, status: :unprocessable_entity }
    end
  end
end
