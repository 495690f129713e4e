# What points where, in words.
module LinksHelper
  # @param place [LinkedFrom::Place, nil]
  # @return [String, nil] the part of the address by which the place in its page is gone to
  def place_anchor(place)
    "b-#{place.block_id}" if place&.block_id
  end

  # What a link leads to, for who may know of it.
  #
  # @param target [Zuhause::Links::Target]
  # @return [String] HTML
  def target_words(target)
    case target.kind
    when :page then page_target_words(target)
    when :promise then tag.q(target.value)
    when :file then PageFile.find_by(public_id: target.value)&.then { |file| file.open_to?(viewer) ? tag.q(file.name) : nil } || t("links.closed.file")
    else tag.b(target.value)
    end
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

  private

  def page_target_words(target)
    page = Page.seen_by(viewer).find_by(public_id: target.value) or return t("links.closed.page")
    part = target.block && SectionsLedTo.new(page, viewer).of_shown.find { |each| each.block_id == target.block }
    part ? t("links.part_html", part: part.title, page: tag.q(page.title)) : tag.q(page.title)
  end
end
