require "test_helper"

class WordsOfChangesTest < ActionView::TestCase
  include ChangesHelper

  attr_reader :viewer

  test "a switch was yes and is no, whichever of the two goes without saying" do
    { { "title" => "A", "open" => true } => { "title" => "A" }, { "title" => "A" } => { "title" => "A", "open" => true } }.each do |old, new|
      fold = ->(attrs) { { "type" => "doc", "content" => [ { "type" => "fold", "attrs" => attrs.merge("id" => "k3j2h1g0"), "content" => [ { "type" => "paragraph" } ] } ] } }
      entry = Zuhause::Changes::Comparison.new(fold.call(old), fold.call(new)).differences.first
      words = old.key?("open") ? [ t("changes.values.true"), t("changes.values.false") ] : [ t("changes.values.false"), t("changes.values.true") ]
      assert_includes change_label(entry), ERB::Util.h(t("changes.attr", name: t("changes.attrs.open"), old: words.first, new: words.last))
    end
  end

  test "many saves of one page are one page written lately" do
    ida = person("Ida Karlow")
    room = new_room("On Board", keeper: ida)
    first, second = %w[Gangway Ice].map { |title| new_page(title, above: room, by: ida, markdown: "Words.", publish: false) }
    (RecentPages::MOST + 5).times { |i| save_text(second, "Words #{i}.", by: ida) }
    assert_equal [ second.id, first.id ], RecentPages.ranks(Viewer.new(ida)).sort_by(&:last).map(&:first)
  end
end
