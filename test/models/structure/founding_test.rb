require "test_helper"
require Rails.root.join("core/test/support/generated")

# Pages made by the heap are what they would be if they had been begun, written and published one after another.
class FoundingTest < ActiveSupport::TestCase
  ROUNDS = 12
  OF_PAGES = ApplicationRecord.connection.tables.select { |table| ApplicationRecord.connection.column_exists?(table, :page_id) }
  # What differs from page to page by itself: numbers, and ids that come from chance.
  OWN = %w[id page_id save_id public_id parent_id draft_id edition_id bin_root_id ancestry updated_at].freeze

  setup do
    @ana = person("Ana Berg")
    @room, @other = new_room("On Board", keeper: @ana, open: true), new_room("Ashore", keeper: @ana, open: true)
    @at = Time.current.change(usec: 0) - 3.days
    CheckRule.of(@room).set(6, by: @ana) && CheckRule.of(@other).set(6, by: @ana)
    person("Ben Holt").update_columns(public_id: "abcdefghij") # whom generated texts name
    new_page("Promises", above: new_room("Aboard", keeper: @ana), by: @ana, markdown: "[](<promise:Winch log>) and [](<promise:Part 3>)")
  end

  test "generated texts of every kind, nested, some of them published" do
    random = Random.new(SEED)
    generated = Generated.new(random)
    plans = Array.new(ROUNDS) { |i| { title: i == 1 ? "Winch log" : "Part #{i}", above: ([ nil, nil, 0, 2 ][i % 4] if i > 3), document: (Zuhause::Document.accept(generated.document, random: random).doc unless (i % 6).zero?), published: i % 3 != 1, language: [ nil, "de", "en" ][i % 3] } }
    one_by_one, at_once = one_by_one(@room, plans), at_once(@other, plans)
    plans.each_index { |i| assert_equal written(one_by_one[i]), written(at_once[i]), plans[i].inspect }
    assert_equal [ shape(@room), 2 ], [ shape(@other), Promise.where(page: at_once).distinct.count(:page_id) ]
    assert_empty Reference.astray
    assert_operator Reference.where(page: at_once).count, :>, ROUNDS
  end

  test "where a review is asked for, nothing is published" do
    ReviewRule.of(@other).set(people: [ @ana ], groups: [], by: @ana, needed: 1)
    page = at_once(@other, [ { title: "Gangway", document: Zuhause::Document.accept(Generated.new(Random.new(SEED)).document).doc, published: true } ]).first
    assert_equal [ false, 2, [ @ana.id ] ], [ page.published?, page.draft.version, Changer.where(page: page).pluck(:person_id) ]
  end

  test "a title that will not do makes nothing" do
    assert_no_difference(-> { Page.count }) { assert_raises(ActiveRecord::RecordInvalid) { at_once(@other, [ { title: "Gangway" }, { title: " " } ]) } }
  end

  test "whoever follows a draft or an edition is asked, or has nothing of a page that nobody has seen" do
    assert_equal (Page::Drafting::FOLLOWED_BY | Page::Publishing::FOLLOWED_BY).sort, ((Founding::FOLLOWED_BY - %w[KnownName Promise]) | Founding::NOT_YET).sort
  end

  private

  def one_by_one(room, plans)
    plans.each_with_object([]) do |plan, made|
      Page.transaction do
        Happening.withheld do
          PartsLedTo.later do
            page = Page.begin(title: plan[:title], above: plan[:above] ? made[plan[:above]] : room, by: @ana, at: @at, language: plan[:language], work: Object.new)
            page.save_draft(State.new(title: plan[:title], document: plan[:document]), base_version: 1, by: @ana, at: @at) if plan[:document]
            page.publish(version: page.draft.version, by: @ana, at: @at) if plan[:published] && page.unsettled.zero?
            made << page.reload
          end
        end
      end
    end
  end

  def at_once(room, plans)
    made = plans.each_with_object([]) do |plan, list|
      state = plan[:document] && State.new(title: plan[:title], document: plan[:document])
      list << Founding::Plan.new(title: plan[:title], above: plan[:above] ? list[plan[:above]] : room, public_id: PubliclyIdentified.generate, language: plan[:language], state: state, published: plan[:published])
    end
    Page.transaction { Founding.new(by: @ana, at: @at).found(made) }
  end

  # @return [Hash] the rows that tell of a page, by table
  def written(page)
    empty = page.drafts.find_by!(version: 1).digest # its one block has an id from chance
    [ "pages", *OF_PAGES ].index_with do |table|
      rows = ApplicationRecord.connection.select_all("SELECT * FROM #{ApplicationRecord.connection.quote_table_name(table)} WHERE #{table == "pages" ? "id" : "page_id"} = #{page.id}").to_a
      rows.map { |row| row["digest"] == empty ? row.except(*OWN, "room_id", "digest", "body") : row.except(*OWN, "room_id", *("created_at" if table == "promises")) }.sort_by(&:to_s)
    end.merge("edition_writers" => EditionWriter.where(edition: page.editions).pluck(:person_id))
  end

  # @return [Array] titles and places of its pages, in order
  def shape(room)
    ids = room.pages.ids
    room.pages.order(:id).map { |page| [ page.title, page.ancestor_ids.map { |id| ids.index(id) && page.room.pages.find(id).title }, page.binned? ] }
  end
end
