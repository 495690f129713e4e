# The page that a room or the house opens on.
class FrontPage
  # @param public_id [String] what somebody chose; blank for none
  # @return [Page, nil] the page to open on: one that they read; what they do not see stays as it is
  def self.chosen(place, public_id, viewer)
    page = Page.read_by(viewer).find_by(public_id: public_id)
    page || place.front_page&.then { |front| front unless viewer.sees?(front) }
  end

  # @param place [Room, House]
  # @return [ShownDocument, nil] nil where none is chosen, or the viewer does not read it
  def self.shown(place, viewer)
    page = place.front_page_id && Page.read_by(viewer).find_by(id: place.front_page_id)
    page && ShownDocument.new(page.edition, page: page, viewer: viewer)
  end
end
