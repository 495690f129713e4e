# Words that may be given in several languages lie in one column of what they name.
class WordsInSeveralLanguages < ActiveRecord::Migration[7.2]
  def change
    add_column :rooms, :in_languages, :json, null: false, default: {}
  end
end
