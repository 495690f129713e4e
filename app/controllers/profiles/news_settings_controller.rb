# How one wants to be told.
class Profiles::NewsSettingsController < ApplicationController
  door :somebody
  before_action { @setting = NewsSetting.of(viewer.person) }

  def edit
    @follows = Follow.on.where(person: viewer.person).includes(:room, :tag, :kept_search, page: :room).order(:id).select { |follow| shown?(follow) }
  end

  def update
    given = fields(:news_setting)
    @setting.assign_attributes(given.permit(:quiet_from, :quiet_until, :letter_hour, :letter_day, :follows_own, :desk_letter))
    @setting.ways = Telling::Reasons::ALL.index_with { |reason| given["way_#{reason}"].presence || @setting.way(reason) }
    return redirect_to(edit_profile_news_setting_path, status: :see_other, notice: t(".done")) if @setting.save

    edit
    render :edit, status: :unprocessable_entity
  end

  private

  # What one does not see any more is not named, though it is told of again should one see it.
  def shown?(follow)
    case follow.target
    when Page then viewer.sees?(follow.page)
    when Room then viewer.level_on(follow.room) != :none
    when Tag then Tag.seen_by(viewer).exists?(follow.tag_id)
    else true
    end
  end
end
