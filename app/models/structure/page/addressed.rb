# A page's address bears its title for people to read; only the id finds it, so no rename breaks an address.
module Page::Addressed
  extend ActiveSupport::Concern

  class_methods do
    # @param param [String] the last part of an address
    # @raise [ActiveRecord::RecordNotFound]
    def at_address(param)
      find_by!(public_id: param.to_s[/[a-z0-9]{10}\z/])
    end
  end

  def to_param
    Page::Addressed.param(title, public_id)
  end

  # @return [String] the last part of an address
  def self.param(title, public_id)
    [ slug(title), public_id ].compact_blank.join("-")
  end

  MOST_SLUGS = 20_000 # that are remembered
  SLUGS = Concurrent::Map.new
  private_constant :SLUGS

  # The same titles are met again and again, in the plan above all.
  def self.slug(title)
    SLUGS.fetch(title) do
      SLUGS.clear if SLUGS.size >= MOST_SLUGS
      SLUGS[title] = Zuhause::Document::Title.slug(title)
    end
  end
end
