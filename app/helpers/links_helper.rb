# What points where, in words.
module LinksHelper
  # @param place [LinkedFrom::Place, nil]
  # @return [String, nil] the part of the address by which the place in its page is gone to
  def place_anchor(place)
    "b-#{place.block_id}" if place&.block_id
  end

  # What points to a page without any text.
  #
  # @param row [Reference] of the stage "set"
  def set_words(row)
    case row.use
    when "front" then row.room ? t("links.set.front", room: row.room.name) : t("links.set.front_of_house")
    when "plan" then t("links.set.plan", title: row.label, place: row.page&.title || row.room.name)
    when "template" then t("links.set.template")
    end
  end
end
