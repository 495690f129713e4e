# Tells whoever has a page's draft open what it says now.
module TellsDraft
  private

  # @param since [Integer] a version after which others may have saved
  def as_text(draft, since:)
    others = Person.where(id: @page.drafts.where(version: since + 1...draft.version + 1).where.not(author: viewer.person).select(:author_id)).by_name
    { version: draft.version, title: draft.title, document: draft.document, by: others.map(&:name).to_sentence, since: since, **disputes }
  end

  # What is to be settled, and cannot be marked in the text.
  def disputes
    { disputes: helpers.dispute_list(@page.disputes.oldest_first.includes(:person)) }
  end
end
