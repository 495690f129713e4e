# Words of one family that no rule of stems connects are forms of each other now.
class StemWordsAnew < ActiveRecord::Migration[7.2]
  def up
    Word.stem_anew
  end

  def down; end
end
