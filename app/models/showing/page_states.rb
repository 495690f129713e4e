# How pages stand, in a few words, for who sees them: told where something leads to them.
class PageStates
  # @param pages [Array<Page>]
  # @return [Hash{String=>String}] by public id
  def self.of(pages)
    ActiveRecord::Associations::Preloader.new(records: pages.reject { |page| page.association(:edition).loaded? }, associations: :edition).call
    pages.to_h do |page|
      number, at = page.edition&.values_at(:number, :published_at)
      [ page.public_id, number ? I18n.t("links.published", number: number, day: I18n.l(at.in_time_zone.to_date, format: :day_and_year)) : I18n.t("links.unpublished") ]
    end
  end
end
