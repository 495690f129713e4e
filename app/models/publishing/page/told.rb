# A page's draft as text, and what there is to know before it is published.
module Page::Told
  # @return [String] Markdown with the ids that something points to, so that nothing breaks when it is read again
  def to_markdown
    linked = Reference.to(:page, public_id).where.not(target_block: nil).distinct.pluck(:target_block).to_set
    Zuhause::Markup::MarkdownWriter.write(draft.document, ids: linked)
  end

  # @return [Integer] blanks of the draft that nobody has filled in
  def blanks
    Zuhause::Document::Walk.each(draft.document).sum { |node, _ancestors| node["type"] == "text" && node["marks"]&.any? { |mark| mark["type"] == "blank" } ? 1 : 0 }
  end

  # @return [Array<String>] what the draft's pictures are called that say nothing to those who do not see them: their
  #   caption, else their file's name
  def undescribed
    figures = Zuhause::Document::Walk.blocks(draft.document).select { |block| block["type"] == "figure" && block.dig("attrs", "file") && block.dig("attrs", "alt").to_s.strip.empty? }
    names = page_files.where(public_id: figures.map { |figure| figure.dig("attrs", "file") }).pluck(:public_id, :name).to_h
    figures.map { |figure| Zuhause::Document::Text.of(figure).strip.presence&.truncate(60, omission: "…") || names[figure.dig("attrs", "file")] || I18n.t("document.nodes.figure") }
  end

  # Passages that are published, shown elsewhere, and gone from the draft.
  #
  # @return [Array<Array(String, Integer)>] their names, and on how many pages that the viewer reads each is shown
  def passages_to_lose(viewer)
    return [] unless edition

    kept = Passage.in(draft.document).keys
    Passage.in(edition.document).except(*kept).filter_map do |id, name|
      count = shown_on(viewer, passage: id).count
      [ name, count ] if count.positive?
    end
  end
end
