# Whether the parts of pages that others lead to are there, in what readers see of those pages.
class PartsLedTo
  class << self
    # Nothing is judged within; whoever makes many pages that lead to each other does so once they are all there.
    def later
      before, Thread.current[:parts_later] = Thread.current[:parts_later], true
      yield
    ensure
      Thread.current[:parts_later] = before
    end

    # A page has another text, of which others may lead to parts.
    def follow_edition(page, _edition)
      judge(page)
    end

    def follow_draft(page, _draft)
      judge(page) unless page.published?
    end

    # @param page [Page]
    # @param rows [ActiveRecord::Relation<Reference>] that lead there
    # @return [Integer] rows that were not as they should be
    def judge(page, rows = Reference.to(:page, page.public_id))
      return 0 if Thread.current[:parts_later]

      wrong(page, rows).group_by(&:last).sum { |gone, those| Reference.where(id: those.map(&:first)).update_all(part_gone: !gone) }
    end

    # @param from [Hash] by which the rows of what has begun to lead somewhere are found
    # @param ids [Array<String>] public ids of pages that it leads to parts of
    def judge_from(from, ids)
      return if Thread.current[:parts_later]

      Page.where(public_id: ids).includes(:edition, :draft).find_each { |page| judge(page, Reference.where(from).to(:page, page.public_id)) }
    end

    # @return [Integer] rows that were not as they should be
    def rebuild
      all.find_each.sum { |page| page.transaction { judge(page) } }
    end

    # @return [Array<Page>] of whose parts it is not known as it is
    def astray
      all.find_each.select { |page| wrong(page, Reference.to(:page, page.public_id)).any? }
    end

    private

    def wrong(page, rows)
      rows = rows.where.not(target_block: nil).pluck(:id, :target_block, :part_gone)
      return [] if rows.empty?

      there = Zuhause::Document::Walk.blocks((page.edition || page.draft).document).to_set { |block| block.dig("attrs", "id") }
      there.merge(Forwarding.where(from_page: page.public_id).pluck(:from_block))
      rows.select { |_id, block, gone| gone == there.include?(block) }
    end

    # @return [ActiveRecord::Relation<Page>] of which something leads to parts
    def all
      Page.where(public_id: Reference.where(target_kind: "page").where.not(target_block: nil).select(:target_id)).includes(:edition, :draft)
    end
  end
end
