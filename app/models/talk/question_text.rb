# A question and what answers it, as a heading with its text at the end of a page's draft.
class QuestionText
  # @param question [Remark]
  def initialize(question)
    @question = question
  end

  # @return [String] the heading's block id
  # @raise [Zuhause::Document::Invalid]
  def write(by:, at: Time.current)
    page = @question.page
    draft = page.draft
    id = Zuhause::Document::Ids.generate
    blocks = [ { "type" => "heading", "attrs" => { "id" => id, "level" => 1 }, "content" => [ text(Said.line(plain(@question.body)).squish) ] }, *answers ]
    saved = page.save_draft(draft.state.with(document: draft.document.merge("content" => draft.document["content"] + blocks)), base_version: draft.version, by: by, at: at)
    raise ActiveRecord::RecordInvalid, saved unless saved.persisted?

    id
  end

  private

  def answers
    chosen = @question.answer || @question.replies.kept.max_by { |reply| reply.voices.where(kind: "helped").count }
    chosen ? chosen.body.split(/\n{2,}/).map { |words| { "type" => "paragraph", "content" => inline(words) } } : [ { "type" => "paragraph" } ]
  end

  def inline(words)
    Zuhause::Talk::Words.parts(words.tr("\n", " ")).map do |part|
      case part.kind
      when :person then { "type" => "mention", "attrs" => { "person" => part.value } }
      when :page then { "type" => "page_title", "attrs" => { "page" => part.value } }
      when :site then text(part.value, "marks" => [ { "type" => "link", "attrs" => { "target" => part.value } } ])
      else text(part.value)
      end
    end
  end

  def plain(body)
    Zuhause::Talk::Words.typed(body) { |id| Person.find_by(public_id: id)&.name }
  end

  def text(words, more = {})
    { "type" => "text", "text" => words, **more }
  end
end
