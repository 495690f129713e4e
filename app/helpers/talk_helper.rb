# What is said to pages and in rooms, in words.
module TalkHelper
  # @param told [ToldRemarks]
  # @return [ActiveSupport::SafeBuffer] its words, with people and pages as they are called now
  def remark_words(remark, told)
    return tag.p(t("remarks.removed"), class: "quiet") if remark.removed?

    parts = Zuhause::Talk::Words.parts(remark.body).map { |part| remark_part(part, told) }
    simple_lines(safe_join(parts))
  end

  # @return [String] its words in short, on one line
  def remark_short(remark, told, length)
    return t("remarks.removed") if remark.removed?

    Zuhause::Talk::Words.parts(remark.body).map { |part| plain_part(part, told) }.join.tr("\n", " ").truncate(length, omission: "…")
  end

  def remark_author(remark)
    remark.author&.name || t("happenings.somebody")
  end

  # @return [ActiveSupport::SafeBuffer] by word what is proposed to be struck and to be added
  def difference_words(remark)
    safe_join(remark.difference.map { |kind, words| kind == :same ? words : tag.public_send(kind == :removed ? :del : :ins, words) })
  end

  # What a remark's place and state are, where that has to be said.
  # @return [Array<String>]
  def remark_states(remark, place)
    [ (t("remarks.states.#{remark.standing}", who: remark.settled_by&.name || t("happenings.somebody")) if remark.done?),
      (t("remarks.states.draft") if remark.draft), (t("remarks.places.#{place.state}") if place && place.state != "same" && !remark.done?) ].compact
  end

  # @return [String] where a remark is told among what it belongs to
  def remark_context(remark)
    case remark.kind
    when "line" then remark.page ? page_thread_path(remark.page) : room_thread_path(remark.room)
    when "question" then page_questions_path(remark.page)
    else page_path(remark.page, anchor: "remark-#{remark.public_id}")
    end
  end

  # @param place [Page, Room]
  def thread_path_of(place, **more)
    place.is_a?(Page) ? page_thread_path(place, **more) : room_thread_path(place, **more)
  end

  # By which the script finds the place in the text.
  #
  # @param note [NotesBeside::Note]
  # @param within [Boolean] whether it stands on another page's text that is shown live
  def place_attributes(note, within)
    values = { remark: note.public_id, block: note.block_id, start: note.start, length: note.length, x: note.x, y: note.y, kind: note.kind, within: (note.page_key if within),
               difference: (note.difference.to_json if note.kind == "proposal" && note.state == "same") }
    html = values.filter_map { |name, value| %(data-#{name}="#{ERB::Util.unwrapped_html_escape(value.to_s)}") unless value.nil? }
    %(id="remark-#{note.public_id}" #{html.join(" ")}).html_safe
  end

  # The addresses of many remarks.
  def remark_address(remark)
    (@remark_address ||= remark_path("0")).sub(/0\z/, remark.public_id)
  end

  # How much was said to it, if anything was.
  def remark_counts(remark, told)
    replies, seen = told.reply_count(remark), told.voices(remark, "seen")
    [ (t("remarks.replies", count: replies) if replies.positive?), (t("remarks.seen", count: seen) if seen.positive?) ].compact.join(" · ").presence
  end

  # A form of one button that does something to a remark, beside the text if one is open.
  def remark_act(label, path, method: :post, stage: nil, icon: nil, main: false, **more)
    button_to(path, method: method, params: { beside: stage, back: (request.fullpath if request.get? && stage.nil?) }.compact.merge(more.delete(:params) || {}),
                    class: "remark-act#{" remark-act-main" if main}", form: { class: "remark-form" }, **more) { safe_join([ (icon(icon, size: 15) if icon), label ].compact) }
  end

  private

  def remark_part(part, told)
    case part.kind
    when :person then tag.span("@#{mentioned(told.person(part.value))}", class: "mention")
    when :page then (page = told.page(part.value)) ? link_to(page.title, page_path(page, anchor: ("b-#{part.block}" if part.block))) : t("document.page_title.hidden")
    when :site then link_to(part.value.truncate(60, omission: "…"), part.value, rel: "noopener noreferrer nofollow", class: "link-away")
    else part.value
    end
  end

  def plain_part(part, told)
    case part.kind
    when :person then "@#{mentioned(told.person(part.value))}"
    when :page then told.page(part.value)&.title || t("document.page_title.hidden")
    else part.value
    end
  end

  def mentioned(person)
    person && viewer.meets?(person) ? person.name : t("document.mention.#{person ? "hidden" : "gone"}")
  end

  # Blank lines part paragraphs, others lines.
  def simple_lines(html)
    safe_join(html.split(/\n{2,}/).map { |lines| tag.p(safe_join(lines.split("\n").map(&:html_safe), tag.br)) })
  end
end
