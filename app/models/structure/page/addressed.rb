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
    [ Zuhause::Document::Title.slug(title), public_id ].compact_blank.join("-")
  end
end
