# In how many sections a word stands, of those that an access list opens; "" counts all of them. What comes of counted pages comes
# and goes with those, by triggers.
class WordCount < ApplicationRecord
  self.primary_key = %i[word access_list_id]

  ALL = "".freeze # stands for all sections
end
