module FindingHelper
  # @param snippet [String] with found words between the marks of Search
  # @return [ActiveSupport::SafeBuffer]
  def marked(snippet)
    escaped = ERB::Util.html_escape(snippet)
    escaped.gsub(Search::OPENING, "<mark>").gsub(Search::CLOSING, "</mark>").html_safe
  end

  def section_path(page, section)
    section.block_id ? page_path(page, anchor: "b-#{section.block_id}") : page_path(page)
  end
end
