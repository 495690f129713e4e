# Finding pages by the words of their titles and other names.
module Page::Findable
  extend ActiveSupport::Concern

  class_methods do
    # @param words [String] an FTS5 expression
    # @param pages [ActiveRecord::Relation<Page>] only of these
    # @return [Array<Integer>] ids, the newest pages first
    def titled(words, pages, most:)
      called = OtherName.pages_called(words, pages, most: most)
      (called + of_title(words, pages, most: most)).uniq.first(most)
    end

    # The same by their titles alone.
    def of_title(words, pages, most:)
      pages.unscope(:select).from("title_index CROSS JOIN pages").where("pages.id = title_index.rowid").where("title_index MATCH ?", words)
           .order(Arel.sql("title_index.rowid DESC")).limit(most).pluck(Arel.sql("pages.id"))
    end

    # Every word of any title, seen or not: only ever compared with what somebody typed, never shown.
    #
    # @param beginning [String]
    # @param lengths [Range<Integer>]
    # @return [Array<String>]
    def title_words(beginning, lengths)
      connection.select_values(sanitize_sql([ "SELECT term FROM title_words WHERE term >= ? AND term < ? AND LENGTH(term) BETWEEN ? AND ?", beginning, beginning + Word::END_OF_ALL, lengths.begin, lengths.end ]))
    end
  end
end
