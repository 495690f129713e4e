# A page that long work is making: nobody meets it, in the bin neither, until the work is done.
class PageUnderWay < ApplicationRecord
  self.table_name = "pages_under_way"
  self.primary_key = :page_id

  belongs_to :page
  belongs_to :work
end
