# How pages stand and who reads them, in a few words, for who sees them: told where something leads to them.
module PageStates
  class << self
    # @param pages [Array<Page>]
    # @param viewer [Viewer]
    # @return [Hash{String=>String}] by public id
    def of(pages, viewer)
      ActiveRecord::Associations::Preloader.new(records: pages, associations: %i[edition access_list out_of_date_mark]).call
      pages.to_h { |page| [ page.public_id, words(page, viewer) ] }
    end

    # @param page [Page] with its edition
    # @param viewer [Viewer]
    # @return [String]
    def words(page, viewer)
      [ state(page), (I18n.t("out_of_date.short") if page.out_of_date_mark), (readers(page, viewer) if viewer.signed_in?) ].compact.join(", ")
    end

    private

    def state(page)
      edition = page.edition or return I18n.t("links.unpublished")

      I18n.t("links.published", number: edition.number, day: I18n.l(edition.published_at.in_time_zone.to_date, format: :day_and_year))
    end

    def readers(page, viewer)
      name = ToldAudience.of(page, viewer).name_for(viewer)
      I18n.t("links.read_by", audience: name.is_a?(Integer) ? I18n.t("audience.people", count: name) : I18n.t("audience.#{name}"))
    end
  end
end
