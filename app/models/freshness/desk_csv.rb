require "csv"

# A list of the maintenance desk as CSV (RFC 4180): room, page, address, since when or by when, and words.
class DeskCsv
  MOST = 5000 # lines

  # @param list [DeskList]
  # @param words [#desk_words] tells what is said of an item
  def initialize(list, viewer, words)
    @list, @viewer, @words = list, viewer, words
  end

  def to_s
    items = @list.items(limit: MOST)
    "\uFEFF#{CSV.generate { |csv| [ head, *items.map { |item| row(item, items) } ].each { |row| csv << row.map { |cell| inert(cell.to_s) } } }}"
  end

  private

  def head
    %w[room page address day words].map { |name| I18n.t("desks.csv.#{name}") }
  end

  def row(item, items)
    page = @list.page_of(item)
    [ page.room.name, @words.desk_title(@list, item), @words.page_url(page), @list.day_of(item)&.to_date&.iso8601, @words.desk_words(@list, item, items) ]
  end

  def inert(text)
    text.match?(Zuhause::Markup::Grid::FORMULA) ? "'#{text}" : text
  end
end
