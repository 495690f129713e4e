# How pages stand, in a few words, for who sees them: told where something leads to them.
class PageStates
  # @param pages [Array<Page>]
  # @return [Hash{String=>String}] by public id
  def self.of(pages)
    editions = Edition.where(id: pages.filter_map(&:edition_id)).pluck(:id, :number, :published_at).to_h { |id, number, at| [ id, [ number, at ] ] }
    pages.to_h do |page|
      number, at = editions[page.edition_id]
      [ page.public_id, number ? I18n.t("links.published", number: number, day: I18n.l(at.in_time_zone.to_date, format: :day_and_year)) : I18n.t("links.unpublished") ]
    end
  end
end
