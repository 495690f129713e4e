# A promised title that has been written: which page it became. Editions never change, so links to promises are
# resolved through these rows whenever they are shown. Titles are kept in the form in which they are compared
# (Zuhause::Links::Promised).
class Promise < ApplicationRecord
  belongs_to :page

  class << self
    # Records a page as the one that was promised under its title, wherever that is.
    #
    # @param title [String] the title promised, where the page has been given another
    def keep(page, title: page.title)
      keys = Zuhause::Links::Promised.keys(title)
      wanted = wanted(keys.values) if title == page.title
      keys.each do |language, key|
        find_or_create_by!(title: key, page: page) { |promise| promise.wording = title } if wanted.nil? || wanted.include?([ key, language ])
      end
      true
    end

    def follow_founding(founded)
      keys = founded.to_h { |each| [ each.page, Zuhause::Links::Promised.keys(each.page.title).map(&:reverse).uniq ] }
      wanted = wanted(keys.values.flatten(1).map(&:first).uniq)
      rows = keys.flat_map { |page, all| all.select { |key| wanted.include?(key) }.map { |key, _language| { title: key, page_id: page.id, wording: page.title } }.uniq }
      insert_all!(rows) if rows.any?
    end

    # @param keys [Array<String>] of promised titles
    # @return [Array<Promise>] those of them that have been written, with pages that the viewer sees
    def rows(keys, viewer:)
      keys.any? ? where(title: keys).joins(:page).merge(Page.seen_by(viewer)).includes(page: %i[edition out_of_date_mark]).to_a : []
    end

    # @param key [String] of a promised title
    # @param room [Room] where the link stands
    # @return [Page, nil] which it leads to, for the viewer
    def kept(key, viewer:, room:)
      nearest(rows([ key ], viewer: viewer), room)[key]
    end

    # Of several pages the one that somebody chose, else one of the room where the link stands, else the oldest.
    #
    # @param rows [Array<Promise>]
    # @return [Hash{String=>Page}] by key
    def nearest(rows, room)
      rows.sort_by { |promise| [ promise.chosen? ? 0 : 1, promise.page.room_id == room.id ? 0 : 1, promise.id ] }.reverse.to_h { |promise| [ promise.title, promise.page ] }
    end

    # Works all keys out again, as they must be when titles are compared otherwise.
    def rebuild
      find_each do |promise|
        keys = Zuhause::Links::Promised.keys(promise.wording).values
        next if keys.include?(promise.title)

        transaction do
          promise.destroy!
          keys.uniq.each { |key| find_or_create_by!(title: key, page: promise.page) { |row| row.wording = promise.wording } }
        end
      end
    end

    private

    # @return [Set<Array(String, String|nil)>] keys that texts promise, with the language by whose rules they do
    def wanted(keys)
      Reference.to(:promise, keys).joins(:page).distinct.pluck(:target_id, "pages.language").to_set { |key, language| [ key, Zuhause::Links::Promised.rules_of(language) ] }
    end
  end

  # Of all pages that its title could mean it is this one.
  def choose
    transaction do
      Promise.where(title: title, chosen: true).update_all(chosen: false)
      update!(chosen: true)
    end
  end
end
