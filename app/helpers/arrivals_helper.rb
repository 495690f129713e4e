module ArrivalsHelper
  # A text that was brought in, as it will be; pictures are named, since they belong to no page yet.
  #
  # @param document [Hash]
  # @return [ActiveSupport::SafeBuffer]
  def arrived_html(document)
    Zuhause::Markup::HTML.write(document, tones: ShownDocument.tones, leaf: method(:arrived_leaf)).html_safe
  end

  # What a text said when it came last, and says now.
  #
  # @param changes [Zuhause::Changes::Comparison]
  # @return [Array<ActiveSupport::SafeBuffer>]
  def arrived_changes(changes)
    Zuhause::Markup::ComparisonHTML.write(changes, label: ->(entry) { change_label(entry) }, tones: ShownDocument.tones, side: :both, leaf: method(:arrived_leaf)).map { |html| html.to_s.html_safe }
  end

  # @return [String, nil] the word for what it is against what came before
  def arrived_mark(file, again)
    return unless again && file.kind == "text"

    if file.known_page_id.nil? then t("arrivals.show.new")
    else file.same ? t("arrivals.show.same") : t("arrivals.show.changed")
    end
  end

  # What was left out of nearly every page, what lies within another or says the same told with that.
  #
  # @param parts [Array<Hash>]
  # @return [Array<Array(Hash, Array<Integer>)>] with the places of all that belong to it
  def repeated_parts(parts)
    left = parts.each_with_index.reject { |part, _i| part["back"] }.sort_by { |part, i| [ -part["words"].length, i ] }
    left.each_with_object([]) do |(part, i), found|
      around = found.find { |other, _places| other["words"].include?(part["words"]) }
      around ? around.last << i : found << [ part, [ i ] ]
    end.sort_by { |part, places| [ -part["pages"], places.first ] }
  end

  # How far something is that was brought in.
  def arrived_state(arrival)
    return t("arrivals.new.undone") if arrival.undone_at
    return t("arrivals.new.made", count: arrival.files.where(known_page_id: nil).where.not(page_id: nil).count) if arrival.made_at

    return t("arrivals.new.come", count: arrival.files.count) unless arrival.work

    t(arrival.work.open? ? "arrivals.new.under_way" : "arrivals.new.waiting", count: arrival.files.texts.count)
  end

  private

  def arrived_leaf(node)
    return Zuhause::Markup::HTML::PLAIN_LEAF.call(node) unless node["type"] == "figure"

    tag.p(t("arrivals.show.picture", alt: node.dig("attrs", "alt").presence || "–"), class: "insert-none")
  end
end
