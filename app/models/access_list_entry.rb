class AccessListEntry < ApplicationRecord
  include Holding

  belongs_to :access_list
end
