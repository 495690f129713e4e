# Somebody who has a page open for writing. Each says so every few seconds; who has not for a while is gone.
class PageWriter < ApplicationRecord
  GONE = 45.seconds

  belongs_to :page
  belongs_to :person

  scope :there, ->(now) { where(seen_at: (now - GONE)..) }

  # @param by [Person] who is writing
  def self.note(page, by:, now: Time.current)
    upsert({ page_id: page.id, person_id: by.id, since: now, seen_at: now }, unique_by: %i[page_id person_id],
           on_duplicate: Arel.sql(sanitize_sql([ "since = CASE WHEN seen_at < ? THEN excluded.since ELSE since END, seen_at = excluded.seen_at", now - GONE ])))
  end

  # @param by [Person] who is told of the others
  # @return [Others]
  def self.others(page, by:, now: Time.current)
    Others.new(where(page: page).where.not(person: by).there(now).includes(:person).order(:since).to_a, now)
  end

  # The others who are writing, in a sentence.
  Others = Struct.new(:writers, :now) do
    def any?
      writers.any?
    end

    # @return [String] empty if there is nobody
    def words
      return "" unless any?

      writers.map { |writer| I18n.t("page_writers.writing", name: writer.person.name, count: ((now - writer.since) / 60).floor) }.join(" ")
    end
  end
end
