# Rows that each reason to look at a page is found by: of which page, and what.
module Care::Rows
  USED = %w[insert cite].to_h { |use| [ use, "\"references\".\"use\" = '#{use}' AND \"references\".stage = 'edition'" ] }.freeze
  private_constant :USED

  private

  # Of a use that few references are of: they are found by an index of their own, which wants its condition in so many words.
  #
  # @param use [String] of {USED}
  def used(use)
    Reference.where(USED.fetch(use)).joins('CROSS JOIN check_dates ON check_dates.page_id = "references".page_id')
  end

  def changed_sources
    used("cite").from('sources CROSS JOIN "references" INDEXED BY index_references_cites').where('"references".target_id = sources.public_id').where("sources.updated_at > check_dates.base_at AND sources.updated_at <> sources.created_at")
  end

  # Shown live, and published anew since, small changes apart.
  def changed_inserts
    used("insert").from('"references" INDEXED BY index_references_inserts').where(target_kind: "page").joins('CROSS JOIN pages AS shown ON shown.public_id = "references".target_id')
             .where(viewer.reading(Page.arel_table.alias("shown")))
             .where(Edition.where("editions.page_id = shown.id AND NOT editions.small AND editions.published_at > check_dates.base_at").arel.exists)
  end

  # Each a question without an answer, or a reader whom it did not help.
  def voices
    Page.from("(#{open_questions.select("remarks.page_id AS id").to_sql} UNION ALL #{HelpAnswer.waiting.select("help_answers.page_id AS id").to_sql}) AS pages").select(:id)
  end

  def open_questions
    Remark.kept.firsts.of_kind("question").where(standing: "open", draft: false).where.not(page_id: nil)
  end

  # @return [Array<Array(Integer, String)>] pages, and where their links lead and nothing is
  def broken_rows
    @broken_rows ||= BrokenLinks.new(viewer, within: @within).rows_of_editions
  end

  def gone_addresses
    Reference.from('web_addresses CROSS JOIN "references"').from_editions.where(target_kind: "web").where("web_addresses.state = 'gone' AND \"references\".target_id = web_addresses.address")
  end

  def passed_days
    TextDate.joins("JOIN check_dates ON check_dates.page_id = text_dates.page_id").where(day: ...@today).where("text_dates.day >= check_dates.since")
  end
end
