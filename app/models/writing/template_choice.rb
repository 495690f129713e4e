# What a new page can start from: nothing, a template of the house or of a room, or one of those that came with the house.
class TemplateChoice
  # @param room [Room, nil] only templates that serve there, if it is known where the page is to stand
  def initialize(viewer, room: nil)
    @viewer = viewer
    @room = room
  end

  # @return [Array<Template>]
  def own
    @own ||= begin
      offered = Template.offered_to(@viewer).includes(page: %i[room edition])
      (@room ? offered.for_room(@room) : offered).sort_by { |template| [ template.whole_house? ? 0 : 1, template.title.downcase ] }
    end
  end

  def shipped
    ShippedTemplate.all
  end

  # @param key [String, nil]
  # @return [Template, ShippedTemplate, nil] nil for an empty page
  # @raise [ActiveRecord::RecordNotFound] if there is none, or it is not open to the viewer
  def find(key)
    return if key.blank?

    shipped.find { |template| template.key == key } || Template.offered_to(@viewer).joins(:page).find_by!(pages: { public_id: key })
  end
end
