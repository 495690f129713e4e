# A promised title that has been written: which page it became. Editions never change, so links to promises are
# resolved through these rows whenever they are shown.
class Promise < ApplicationRecord
  belongs_to :page

  # Records a new page as the one that was promised under its title.
  #
  # @param title [String] the title promised, where the page has been given another
  def self.keep(page, title: page.title)
    promised = Zuhause::Document::Title.normalise(title)
    wanted = title != page.title || Reference.to(:promise, promised).joins(:page).exists?(page: { room_id: page.room_id })
    find_or_create_by!(title: promised, page: page) if wanted
    true
  end

  # @param titles [Array<String>] promised titles
  # @param room [Room] where the links stand; its own pages come first
  # @return [Hash{String=>Page}] pages that the viewer sees, by normalised title; the oldest where there are several
  def self.kept(titles, viewer:, room:)
    nearest(rows(titles, viewer: viewer), room)
  end

  # @return [Array<Promise>] those of the titles that have been written, with pages that the viewer sees
  def self.rows(titles, viewer:)
    normal = titles.map { |title| Zuhause::Document::Title.normalise(title) }.uniq
    normal.any? ? where(title: normal).joins(:page).merge(Page.seen_by(viewer)).includes(page: :edition).to_a : []
  end

  # @param rows [Array<Promise>]
  # @return [Hash{String=>Page}] which page each leads to from a room
  def self.nearest(rows, room)
    rows.sort_by { |promise| [ promise.page.room_id == room.id ? 0 : 1, promise.id ] }.reverse.to_h { |promise| [ promise.title, promise.page ] }
  end
end
