module FrontPageHelper
  MOST = 300

  # @param room [Room, nil] nil for the whole house
  # @return [ActiveRecord::Relation<Page>] published pages that can be chosen, nearest to the top first
  def front_page_choices(room)
    pages = Page.read_by(viewer)
    pages = pages.where(room: room) if room
    pages.order(Arel.sql("LENGTH(pages.ancestry)"), Arel.sql("pages.title COLLATE NOCASE")).limit(MOST).includes(:room)
  end
end
