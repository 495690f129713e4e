module FindingHelper
  # @param snippet [String] with found words between the marks of Search
  # @return [ActiveSupport::SafeBuffer]
  def marked(snippet)
    escaped = ERB::Util.html_escape(snippet)
    escaped.gsub(Search::OPENING, "<mark>").gsub(Search::CLOSING, "</mark>").html_safe
  end

  # @param name [Symbol] one of SearchFilters::NAMES
  # @return [String] what a search is narrowed to, in words
  def filter_words(name, value)
    told = case name
    when :time then t("findings.filters.times.#{value}")
    when :has then t("findings.filters.having.#{value}")
    when :state then t("findings.filters.states.#{value}")
    when :since then l(value, format: :day_and_year)
    when :language then Page::Looks::LANGUAGES.fetch(value)
    else value.name
    end
    t("findings.filters.pieces.#{name}", told: told)
  end

  # @param section [Section] that stands in a file
  # @return [String] where in the file
  def file_place(section)
    return t("findings.places.whole") if section.place.blank?

    kind = section.place.match?(/\A\d+\z/) ? (section.page_file.kind == "pdf" ? :page : :line) : :under
    t("findings.places.#{kind}", place: section.place)
  end

  # @param answer [Search::Answer]
  def answer_path(answer)
    answer.passage.id ? page_path(answer.result.page, anchor: "b-#{answer.passage.id}") : section_path(answer.result.page, answer.result.section)
  end

  def section_path(page, section)
    section.block_id ? page_path(page, anchor: "b-#{section.block_id}") : page_path(page)
  end
end
