module ChangesHelper
  # @param changes [Zuhause::Changes::Comparison]
  # @return [String] "2 paragraphs changed, 1 heading moved"
  def changes_summary(changes)
    words = changes.summary.map { |(kind, type), count| "#{t("changes.counts.#{type}", count: count)} #{t("changes.names.#{kind}")}" }
    words.any? ? "#{words.to_sentence.upcase_first}." : t("changes.none")
  end

  # What happened to a block, by sign and in words; with a button to take it back where +put_back+ says how.
  def change_label(entry, put_back: nil)
    sign = entry.moved ? :moved : entry.kind
    words = [ change_name(entry), *attr_words(entry), *(t("changes.names.formatting") if entry.parts&.any? { |part| part.kind == :formatted }) ]
    tag.span(class: "change-name") { safe_join([ tag.b(t("changes.signs.#{sign}"), "aria-hidden": true), words.join(", "), put_back&.call(entry) ].compact, " ") }
  end

  private

  def change_name(entry)
    key = entry.moved ? (entry.kind == :changed ? :moved_and_changed : :moved) : entry.kind
    t("changes.names.#{key}")
  end

  def attr_words(entry)
    (entry.attrs || {}).map do |name, (old, new)|
      default = Zuhause::Document::Schema::NODES.fetch(entry.node["type"]).attrs.fetch(name).default
      t("changes.attr", name: t("changes.attrs.#{name}"), old: attr_value(name, old.nil? ? default : old), new: attr_value(name, new.nil? ? default : new))
    end
  end

  def attr_value(name, value)
    return t("changes.none_given") if value.nil?

    return t("document.tones.#{value}") if name == "tone"
    return t("changes.values.#{value}") if [ true, false ].include?(value)

    changed_name(name, value) || value
  end

  # Who or what an id stands for, as far as the viewer sees it.
  def changed_name(name, value)
    case name
    when "assignee" then Person.find_by(public_id: value)&.name
    when "page" then Page.seen_by(viewer).find_by(public_id: value)&.title
    when "due" then l(Date.iso8601(value), format: :day_and_year)
    end
  end
end
