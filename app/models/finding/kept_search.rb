# A search that somebody keeps, to see what is new in it since they last looked.
class KeptSearch < ApplicationRecord
  include PubliclyIdentified

  MOST = 20 # of one person

  belongs_to :person

  validates :text, length: { in: 1..Zuhause::Finding::Question::LONGEST }
  validate :not_too_many, on: :create

  scope :in_order, -> { order(:created_at, :id) }

  class << self
    # @param search [Search]
    # @return [KeptSearch, nil] the one that this person keeps
    def of(search, viewer)
      find_by(key(search, viewer)) if viewer.signed_in? && !search.blank?
    end

    # @return [KeptSearch] with errors if it cannot be kept
    def keep(search, viewer, at: Time.current)
      find_or_create_by(key(search, viewer)) { |kept| kept.looked_at = at }
    end

    private

    def key(search, viewer)
      { person: viewer.person, text: search.question.text, filters: search.filters.to_params.to_query }
    end
  end

  # @return [Hash{String=>String}] as it stands in an address
  def to_address
    { "q" => text, **Rack::Utils.parse_query(filters) }
  end

  # @return [Search]
  def search(viewer, published_after: nil)
    Search.new(text, viewer, filters: filters_for(viewer, published_after: published_after))
  end

  # @return [SearchFilters]
  def filters_for(viewer, published_after: nil)
    SearchFilters.new(Rack::Utils.parse_query(filters).symbolize_keys, viewer, published_after: published_after)
  end

  # @return [Integer] pages that are found and were published since it was looked at
  def news(viewer)
    found = search(viewer, published_after: looked_at)
    found.pages.exists? ? found.count : 0
  end

  # @return [Time] when it was looked at before
  def look(at: Time.current)
    looked_at.tap { update_columns(looked_at: at) }
  end

  private

  def not_too_many
    errors.add(:base, :too_many, count: MOST) if person && person.kept_searches.count >= MOST
  end
end
