# How pages stand, in a few words, for who sees them: told where something leads to them.
module PageStates
  class << self
    # @param pages [Array<Page>]
    # @return [Hash{String=>String}] by public id
    def of(pages)
      ActiveRecord::Associations::Preloader.new(records: pages, associations: :edition).call
      pages.to_h { |page| [ page.public_id, words(page) ] }
    end

    # @param page [Page] with its edition
    # @return [String]
    def words(page)
      edition = page.edition or return I18n.t("links.unpublished")

      I18n.t("links.published", number: edition.number, day: I18n.l(edition.published_at.in_time_zone.to_date, format: :day_and_year))
    end
  end
end
