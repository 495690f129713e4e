require "csv"

# A list of the maintenance desk as CSV (RFC 4180): room, page, address, since when or by when, and words. Of links that are to be mended,
# where they lead stands in place of a page.
class DeskCsv
  MOST = 5000 # lines

  # @param desk [Desk]
  # @param name [Symbol] of Desk::GROUPS
  # @param words [#desk_words] tells what is said of an item
  def initialize(desk, name, words)
    @desk, @name, @words = desk, name, words
  end

  def to_s
    rows = Desk::LISTS.include?(@name) ? listed : linking.map { |each| send(@name, each) }
    "\uFEFF#{CSV.generate { |csv| [ head, *rows ].each { |row| csv << row.map { |cell| inert(cell.to_s) } } }}"
  end

  private

  def head
    %w[room page address day words].map { |name| I18n.t("desks.csv.#{name}") }
  end

  def listed
    list = @desk.list(@name)
    items = list.items(limit: MOST)
    items.map { |item| page = list.page_of(item) and [ page.room.name, @words.desk_title(list, item), @words.page_url(page), list.day_of(item)&.to_date&.iso8601, @words.desk_words(list, item, items) ] }
  end

  def linking
    @desk.linking(@name).public_send({ promised: :titles, broken: :targets, addresses: :addresses, loose: :list, names: :named }.fetch(@name), limit: MOST)
  end

  def promised(wanted)
    [ wanted.rooms.join(", "), wanted.wording, "", "", I18n.t("desks.csv.on_pages", count: wanted.pages) ]
  end

  def broken(broken)
    [ "", broken.page&.title || broken.label, "", "", "#{I18n.t("desks.csv.broken.#{broken.reason}")}; #{I18n.t("desks.csv.on_pages", count: broken.pages)}" ]
  end

  def addresses(seen)
    [ "", "", seen.address, seen.checked_at&.to_date&.iso8601, "#{I18n.t("desks.addresses.index.states.#{seen.state}")}; #{I18n.t("desks.csv.on_pages", count: seen.pages)}" ]
  end

  def loose(loose)
    [ loose.page.room.name, loose.page.title, @words.page_url(loose.page), "", "" ]
  end

  def names(named)
    [ named.page.room.name, named.page.title, @words.page_url(named.page), "", I18n.t("desks.csv.on_pages", count: named.pages) ]
  end

  def inert(text)
    text.match?(Zuhause::Markup::Grid::FORMULA) ? "'#{text}" : text
  end
end
