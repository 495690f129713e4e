# Tags have one spelling for all.
class SpellTagsOneWay < ActiveRecord::Migration[7.2]
  def up
    execute "UPDATE tags SET name = lower(name)"
  end

  def down; end
end
