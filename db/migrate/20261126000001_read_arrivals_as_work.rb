# What is brought in is kept as it came until a piece of long work has read it.
class ReadArrivalsAsWork < ActiveRecord::Migration[7.2]
  def change
    add_reference :arrivals, :work, foreign_key: { on_delete: :nullify }
  end
end
