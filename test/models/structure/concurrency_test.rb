require "test_helper"

# Several threads write at once, each with a connection and transactions of its own, as the server's threads do.
class ConcurrencyTest < ActiveSupport::TestCase
  include ApartFromTransactions

  THREADS = 5

  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway in ice", above: @room, by: @ana)
  end

  test "saves on one version are joined, and no word of any is lost" do
    saved = at_once(THREADS) { |i| Page.find(@page.id).save_draft(State.new(title: "T", document: document(i)), base_version: 2, save_id: "save-#{i}", by: @ana) }
    assert_equal (3..(2 + THREADS)).to_a, saved.map(&:version).sort
    assert_equal saved.max_by(&:version).document, @page.reload.draft.document
    assert_equal (0...THREADS).map(&:to_s), Zuhause::Document::Text.of(@page.draft.document).scan(/\d/).sort
  end

  test "saves at once all get a version of their own" do
    at_once(THREADS) do |i|
      4.times do |n|
        version = Page.find(@page.id).draft.version
        Page.find(@page.id).save_draft(State.new(title: "T", document: document(i)), base_version: version, save_id: "save-#{i}-#{n}-#{version}", by: @ana)
      end
    end
    assert_equal (1..(2 + (THREADS * 4))).to_a, @page.drafts.where.not(version: nil).order(:version).pluck(:version)
  end

  test "publishing at once makes one edition" do
    save_text(@page, "New words.", by: @ana)
    done = at_once(THREADS) do
      Page.find(@page.id).publish(version: 3, by: @ana)
    rescue Page::Publishing::Unchanged
      :unchanged
    end
    assert_equal 1, done.grep(Edition).size
    assert_equal [ 1, 2 ], @page.editions.order(:number).pluck(:number)
  end

  test "pages begun at once each have a place of their own" do
    pages = at_once(THREADS) { |i| Array.new(3) { |n| Page.begin(title: "P#{i}-#{n}", above: Room.find(@room.id), by: @ana) } }.flatten
    assert pages.all?(&:persisted?)
    assert_equal (1..(1 + (THREADS * 3))).to_a, @room.pages.order(:position).pluck(:position)
  end

  test "grants given at once are all in force" do
    people = Array.new(THREADS) { |i| person("Hand Number#{i}") }
    at_once(THREADS) { |i| Room.find(@room.id).grant(Zuhause::Access::Holder.new(:person, people[i].id), :read) }
    assert_equal [ :read ], people.map { |each| viewer(each).level_on(@page.reload) }.uniq
  end

  private

  def document(number)
    Zuhause::Markup::MarkdownReader.read("Words of #{number}").doc
  end
end
