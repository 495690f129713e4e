class Pages::PublicationsController < ApplicationController
  include OnPage

  door :publish

  # What there is to know before it is done.
  def new
    @words = before_publishing
    respond_to do |format|
      format.html
      format.json { render json: { words: @words, review: (review_before unless @page.publishable?) }.compact }
    end
  end

  def create
    return create_timed if params[:due_at].present?

    follow_or_not
    edition = @page.publish(version: params.require(:version).to_i, by: viewer.person, note: params[:note].to_s, small: params[:small] == "1")
    @page.out_of_date_mark&.end(by: viewer.person) if params[:up_to_date] == "1"
    flash[:notice] = [ t(".done", number: edition.number), (t(".shut_out", names: @page.named_outside.map(&:name).to_sentence, count: @page.named_outside.size) if @page.named_outside.any?),
                       (t(".shown_on", count: @page.shown_on(viewer).count) if @page.shown_on(viewer).exists?) ].compact.join(" ")
    answer(:created, location: page_path(@page))
  rescue Page::Publishing::Stale
    answer(:conflict, error: t(".stale"))
  rescue Page::Reviewed::Unreviewed
    answer(:unprocessable_entity, error: t(".unreviewed"))
  rescue Page::Publishing::Unsettled
    answer(:unprocessable_entity, error: t(".unsettled", count: @page.unsettled))
  rescue Page::Publishing::Unchanged
    answer(:unprocessable_entity, error: t(".unchanged"))
  rescue ActiveRecord::RecordInvalid => e
    answer(:unprocessable_entity, error: e.record.errors.full_messages.to_sentence)
  end

  private

  def follow_or_not
    Follow.choose(viewer.person, @page, params[:follow] == "1") if params.key?(:follow)
  end

  def create_timed
    follow_or_not
    @timed = @page.publish_later(due_at: own_time(params[:due_at]), version: params.require(:version).to_i, by: viewer.person, note: params[:note].to_s, small: params[:small] == "1")
    return answer(:unprocessable_entity, error: @timed.errors.full_messages.to_sentence) unless @timed.persisted?

    flash[:notice] = t(".timed", time: l(@timed.due_at.in_time_zone, format: :exact))
    answer(:created, location: page_path(@page))
  end

  # What leads to publishing where the draft has to be looked over first.
  def review_before
    open = @page.review&.open?
    { words: open ? t("pages.show.review") : t("pages.show.ask_review"), address: open ? page_review_path(@page) : new_page_review_path(@page), small: @page.publishable?(small: true) }
  end

  # What some of those who are to read it will not see.
  def shut_words
    titles = ShutTargets.of(@page, viewer, stage: "draft").map { |row| row.page.title }
    t(".shut", titles: [ *titles.first(3), (t("exposure.more", count: titles.size - 3) if titles.size > 3) ].compact.to_sentence, count: titles.size) if titles.any?
  end

  def unreviewed_words
    return if @page.publishable?

    [ t("pages.publications.new.unreviewed"), (t("pages.publications.new.small_through") if @page.publishable?(small: true)) ].compact.join(" ")
  end

  def before_publishing
    doubles = @page.unsettled
    shown, blanks, undescribed = @page.shown_on(viewer).count, @page.blanks, @page.undescribed
    [ unreviewed_words, (t(".doubles", count: doubles) if doubles.positive?), (t(".shown_on", count: shown) if shown.positive?), (t(".blanks", count: blanks) if blanks.positive?),
      (t(".undescribed", count: undescribed.size, names: undescribed.to_sentence) if undescribed.any?),
      shut_words, *SectionsLedTo.new(@page, viewer).to_lose.map { |part| t(".part_lost", name: part.title, count: part.count) }, *@page.passages_to_lose(viewer).map { |name, count| t(".passage_lost", name: name, count: count) } ].compact
  end

  def answer(status, **body)
    respond_to do |format|
      format.json { render json: body, status: status }
      format.html { redirect_to body[:location] || edit_page_draft_path(@page), status: :see_other, alert: body[:error] }
    end
  end
end
