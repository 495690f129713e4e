# A page that rooms made from a pattern begin with; +template_key+: what it starts from, see TemplateChoice.
class RoomPatternPart < ApplicationRecord
  belongs_to :room_pattern, inverse_of: :parts

  normalizes :title, with: ->(title) { Zuhause::Document::Title.clean(title) }
  normalizes :template_key, with: ->(key) { key.presence }
  validates :title, presence: true, length: { maximum: 200 }

  # @param shut_by [Array<Zuhause::Access::Grant>] what it grants if it is shut
  # @param viewer [Viewer] who makes it
  # @raise [ActiveRecord::RecordInvalid] if the page will not do
  def begin(room, team:, shut_by:, viewer:)
    page = Page.begin(title: title_for(team), above: room, by: viewer.person, from: template_for(viewer))
    raise ActiveRecord::RecordInvalid, page unless page.persisted? && page.errors.none?

    page.shut_to { shut_by } if shut
  end

  # @param team [Group, nil] nil where it is not yet known
  # @return [String]
  def title_for(team)
    Zuhause::Access::Pattern.title(title, team&.name || I18n.t("room_patterns.the_team"))
  end

  private

  # What is gone or may not be read is left away: the page begins empty.
  def template_for(viewer)
    TemplateChoice.new(viewer).find(template_key)
  rescue ActiveRecord::RecordNotFound
    nil
  end
end
