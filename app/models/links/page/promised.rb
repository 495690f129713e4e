# Links to pages that were promised before they were written.
module Page::Promised
  extend ActiveSupport::Concern

  included do
    has_many :promises, dependent: :delete_all
  end
end
