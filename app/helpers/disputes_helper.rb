# What is to be settled of a draft, in words.
module DisputesHelper
  # @param disputes [Enumerable<Dispute>]
  # @return [Array<Hash>] each with +id+, +block+ (its id, or nil), +words+, and what may be done: +take+ (nil where nothing
  #   can be) and +leave+
  def dispute_list(disputes)
    disputes.map { |dispute| { id: dispute.id, block: dispute.block_id.presence, words: dispute_words(dispute), **dispute_acts(dispute) } }
  end

  def dispute_words(dispute)
    who = dispute.person&.name || t("happenings.somebody")
    case dispute.name
    when Zuhause::Merging::TITLE then t("disputes.title", who: who, value: dispute.value)
    when Zuhause::Merging::TYPE then t("disputes.type", who: who, value: t("document.nodes.#{dispute.value}"))
    when Zuhause::Merging::KEPT then t("disputes.kept", who: who)
    when Zuhause::Merging::DOUBLE then t("disputes.double", words: dispute_sides(dispute))
    else t("disputes.value", who: who, name: t("changes.attrs.#{dispute.name}"), value: attr_value(dispute.name, dispute.value))
    end
  end

  # What can be done: a label for each, nil where it cannot be.
  def dispute_acts(dispute)
    case dispute.name
    when Zuhause::Merging::KEPT then { take: t("workbench.script.settle_out"), leave: t("workbench.script.settle_keep") }
    when Zuhause::Merging::DOUBLE then { take: nil, leave: t("disputes.right") }
    else { take: t("disputes.take"), leave: t("disputes.leave") }
    end
  end

  private

  def dispute_sides(dispute)
    names = Person.where(public_id: dispute.value.map(&:first)).pluck(:public_id, :name).to_h
    dispute.value.map { |by, words| t("disputes.side", who: names[by] || t("happenings.somebody"), words: words.strip.truncate(60, omission: "…")) }.to_sentence
  end
end
