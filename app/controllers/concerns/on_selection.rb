# Acts on several pages that were chosen in a list: on all of them, or on none.
module OnSelection
  extend ActiveSupport::Concern

  MOST = 50

  included do
    before_action :find_selection
    helper_method :back
  end

  private

  def find_selection
    ids = Array(params[:pages]).first(MOST).map(&:to_s)
    @pages = selectable.where(public_id: ids).includes(:room).sort_by { |page| [ page.room.position, page.depth, page.position ] }
    redirect_back_or_to page_lists_path, status: :see_other, alert: t("selections.none") if @pages.empty?
  end

  def selectable
    Page.seen_by(viewer)
  end

  # @return [Boolean] whether all may be done; says which pages stand in the way if not
  def all_may?(question)
    refused = @pages.reject { |page| policy(page).public_send(question) }
    return true if refused.empty?

    redirect_to back, status: :see_other, alert: t("selections.refused", titles: refused.map(&:title).to_sentence)
    false
  end

  # Where one came from, if that is a list of this house.
  def back
    url_from(params[:back].presence || request.referer) || page_lists_path
  end

  # Those that are not below another one that was chosen.
  def tops
    chosen = @pages.to_set(&:id)
    @pages.reject { |page| page.ancestor_ids.any? { |id| chosen.include?(id) } }
  end
end
