# What is said to pages, in tests.
module Talking
  # @param words [String] that stand in the page, in one block
  # @param stage [String] "edition" or "draft"
  # @return [Remark::OnText::Pointed]
  def pointed(page, words, stage: "edition")
    text = (stage == "edition" ? page.edition : page.draft).state.page_text
    block = text.blocks.find { |each| each.text.include?(words) }
    Remark::OnText::Pointed.new(stage: stage, version: stage == "edition" ? page.edition.number : page.draft.version, block: block.id, start: block.text.index(words), length: words.length, quote: words)
  end

  def note(page, words, by:, body: "Is that so?", stage: "edition", instead: nil, **more)
    Remark.note(page, pointed(page, words, stage: stage), by: by, body: body, words: instead, **more)
  end

  def ask(page, body = "Where is the salt?", by:)
    Remark.say(page, kind: "question", body: body, by: by)
  end

  # @return [Array(String, String)] how a remark stands, and on which words
  def stands(remark, stage = "edition")
    RemarkPlace.find_by!(remark: remark, stage: stage).then { |place| [ place.state, place.exact ] }
  end

  # Writes a page's text anew, and publishes it if that is wanted.
  def rewrite(page, markdown, by:, publish: true)
    save_text(page.reload, markdown, by: by)
    page.publish(version: page.draft.version, by: by) if publish
    page
  end
end
