# Moves several pages, with all below them, to the end of another place.
class Selections::PlacementsController < ApplicationController
  include OnSelection, LooksFirst

  door :somebody
  before_action { @places = Places.new(viewer) }

  def create
    return unless all_may?(:edit?)
    return render(:create) unless params[:above].present?

    to = @places.find(params[:above])
    raise ActiveRecord::RecordNotFound unless to
    return refuse(:may_not_move) unless tops.all? { |page| policy(page).move?(to) }
    return refuse(:under_itself) if to.is_a?(Page) && tops.any? { |page| to.path_ids.include?(page.id) }

    move(to)
  end

  private

  def move(to)
    return unless looked_at?(Page.exposure_of_moving(tops, to), { act: :moved_all, count: tops.size, to: to }, back: back, besides: helpers.review_sentences(tops, to))

    Page.transaction do
      tops.each do |page|
        page.move(to: to, by: viewer.person, exposure: page.exposure_of_moving(to))
      end
    end
    redirect_to to, status: :see_other, notice: t(".done", count: tops.size)
  end

  def refuse(reason)
    @error = t("activerecord.errors.models.page.attributes.base.#{reason}")
    render :create, status: :unprocessable_entity
  end
end
