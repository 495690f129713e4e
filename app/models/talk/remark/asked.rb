# A question to a page as a whole: how it stands follows from its answers, and from whom they helped.
module Remark::Asked
  extend ActiveSupport::Concern

  included do
    belongs_to :answer, class_name: "Remark", optional: true
  end

  class_methods do
    # A question that was put elsewhere, with its answer if there is one.
    #
    # @param origin [String] where it came from
    # @return [Remark] with errors if it will not do
    def enter(page, body:, origin:, answer:, by:, at: Time.current)
      transaction do
        question = say(page, kind: "question", body: body, origin: origin.presence, by: by, at: at)
        raise ActiveRecord::Rollback, question if question.errors.any?

        question.reply(answer, by: by, at: at) if answer.present?
        question
      end || new(page: page, kind: "question", body: body, origin: origin).tap(&:validate)
    end
  end

  # @param viewer [Viewer]
  # @return [Boolean] the asker or a keeper says which answer helps
  def chosen_by?(viewer)
    author_id == viewer.person&.id || viewer.level_on(place) == :keep
  end

  # @param reply [Remark, nil] one of its answers; nil to take that back
  def choose(reply, by:, at: Time.current)
    transaction do
      update!(answer: reply)
      judge
      tell(:answer_chosen, by: by, at: at) if reply
    end
  end

  # What was said to the text, or in the thread, is asked of the page as a whole from then on.
  def become_question(by:, at: Time.current)
    return if kind == "question"

    transaction do
      places.delete_all
      update!(kind: "question", standing: "open", settled_by: nil, settled_at: nil)
      judge
      tell(:asked, by: by, at: at)
    end
  end

  # @return [Page] begun below the place that it was said to, with its words
  def become_page(by:, at: Time.current)
    said = Zuhause::Talk::Words.typed(body) { |id| Person.find_by(public_id: id)&.name }
    title, rest = said.split("\n", 2)
    transaction do
      page = Page.begin(title: title.to_s.truncate(80, omission: "…"), above: place, by: by, at: at)
      raise ActiveRecord::RecordInvalid, page unless page.persisted?

      document = Zuhause::Markup::MarkdownReader.read([ (title if title.to_s.length > 80), rest ].compact.join("\n")).doc
      page.save_draft(page.draft.state.with(document: document), base_version: page.draft.version, by: by, at: at)
      page
    end
  end

  # Brings in line how it stands.
  def judge
    return unless kind == "question"

    answers = replies.kept.ids
    counts = Voice.where(remark_id: answers).group(:remark_id, :kind).count
    told = answers.map { |id| [ counts.fetch([ id, "helped" ], 0), counts.fetch([ id, "doubted" ], 0) ] }
    standing = Zuhause::Talk::Standing.of(settled: self.standing == "settled", answers: told, chosen: answers.include?(answer_id))
    update!(standing: standing.to_s, helped: told.sum(&:first))
  end
end
