# That what led to a page, or to one block of it, leads to another page (and block) since both were joined, or a part became a
# page of its own. It is followed by those alone who may see where it leads; a page that is in the house itself is met itself.
class Forwarding < ApplicationRecord
  FARTHEST = 5 # one after the other

  belongs_to :page

  scope :of_pages, -> { where(from_block: "") }

  class << self
    # @param from [Page]
    # @param to [Page]
    # @param blocks [Hash{String=>String, nil}] blocks of the one by those of the other; nil for the page alone
    # @param whole [String, nil, false] the block that the page itself leads to; false if it stays where it is
    def set(from, to, blocks:, whole: false, at: Time.current)
      rows = blocks.transform_keys(&:to_s)
      rows = { "" => whole.presence, **rows } unless whole == false
      where(from_page: from.public_id, from_block: rows.keys).delete_all
      insert_all!(rows.map { |block, to_block| { from_page: from.public_id, from_block: block, page_id: to.id, block: to_block, created_at: at } }) if rows.any?
    end

    # What stands on the page again is met there.
    def follow_edition(page, edition)
      own = where(from_page: page.public_id)
      return unless own.exists?

      there = Zuhause::Document::Walk.blocks(edition.document).map { |block| block.dig("attrs", "id") }
      own.of_pages.or(own.where(from_block: there)).delete_all
    end

    # @param viewer [Viewer]
    # @return [Set<String>] public ids of pages that lead elsewhere, or of which parts do; kept, since there are few
    def pages_left(viewer)
      viewer.kept_fetch([ :ways ], of: %i[forwardings]) { distinct.pluck(:from_page).to_set.freeze }
    end

    # @param viewer [Viewer]
    # @return [Set<Integer>] ids of pages to which they lead
    def pages_come_to(viewer)
      viewer.kept_fetch([ :ways_to ], of: %i[forwardings]) { distinct.pluck(:page_id).to_set.freeze }
    end

    # @param pairs [Array<Array(String, String|nil)>] public ids of pages, each with a block id if a part of it is meant
    # @return [Hash{Array=>Array(String, String|nil)}] where those that are forwarded lead, the same way told
    def resolve(pairs)
      return {} if pairs.empty?

      ways = pairs.uniq.to_h { |pair| [ pair, pair ] }
      FARTHEST.times do
        steps = steps_from(ways.values.uniq)
        moving = ways.select { |_from, now| steps.key?(now) }
        break if moving.empty?

        moving.each { |from, now| ways[from] = steps[now] }
      end
      ways.reject { |from, now| from == now }
    end

    # @param viewer [Viewer]
    # @return [Page, nil] where a page that is not there any more leads
    def page_for(public_id, viewer)
      id, = resolve([ [ public_id, nil ] ])[[ public_id, nil ]]
      id && Page.seen_by(viewer).find_by(public_id: id)
    end

    # @param page [Page] of which parts have become pages of their own
    # @return [Hash{String=>Array(Page, String|nil)}] where those parts are, as far as the viewer sees it
    def parts_of(page, viewer)
      return {} unless pages_left(viewer).include?(page.public_id)

      blocks = where(from_page: page.public_id).where.not(from_block: "").pluck(:from_block)
      return {} if blocks.empty?

      ways = resolve(blocks.map { |block| [ page.public_id, block ] })
      pages = Page.seen_by(viewer).where(public_id: ways.values.map(&:first)).index_by(&:public_id)
      ways.filter_map { |(_id, block), (id, to)| [ block, [ pages[id], to ] ] if pages[id] }.to_h
    end

    private

    # A block that is not forwarded by itself goes with its page, if that has gone.
    def steps_from(pairs)
      rows = where(from_page: pairs.map(&:first)).includes(:page).to_a
      rows = rows.index_by { |row| [ row.from_page, row.from_block ] }
      there = rows.any? ? Page.kept.where(public_id: pairs.map(&:first)).pluck(:public_id).to_set : Set.new
      pairs.filter_map do |pair|
        id, block = pair
        row = (block && rows[[ id, block ]]) || (rows[[ id, "" ]] unless there.include?(id)) or next
        [ pair, [ row.page.public_id, row.block ] ]
      end.to_h
    end
  end
end
