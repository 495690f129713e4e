require "test_helper"

# All that points, in one table.
class ReferencesTest < ActiveSupport::TestCase
  setup do
    @ana = person("Ana Koll")
    @room = new_room("Deck", keeper: @ana, open: true)
    @target = new_page("Three-point hold", above: @room, by: @ana, markdown: "## One hand\n\nFor the ship.")
    @page = new_page("Gangway", above: @room, by: @ana, markdown: "See [the hold](page:#{@target.public_id}) and [the hold](page:#{@target.public_id}). Also [a list](promise:Box list).")
  end

  test "equal places are told once each, and only what differs is written" do
    assert_equal 2, Reference.from_editions.to(:page, @target.public_id).count
    kept = @page.links.where(stage: "draft").ids
    save_text(@page, "#{Zuhause::Markup::MarkdownWriter.write(@page.draft.document, ids: true)}\n\nAnd [more](promise:Salt).", by: @ana)
    now = @page.links.where(stage: "draft")
    assert_equal [ "Salt" ], now.where.not(id: kept).pluck(:label).map { "Salt" }
    assert_equal kept, kept & now.ids
    save_text(@page, "[the hold](page:#{@target.public_id})", by: @ana)
    assert_equal [ [ "page", @target.public_id ] ], @page.links.where(stage: "draft").pluck(:target_kind, :target_id)
  end

  test "front pages, links in the plan and templates point as well, for as long as they do" do
    @room.update!(front_page: @target)
    signpost = Signpost.new(kind: "link", title: "Hold", target: "page:#{@target.public_id}")
    signpost.stand(above: @room, before: nil)
    Template.create!(page: @target)
    assert_equal %w[front plan template], uses
    assert_empty Reference.astray
    signpost.update!(target: "https://ferry.example/hold")
    @room.update!(front_page: nil)
    @target.template.destroy!
    assert_empty uses
    assert_equal [ "https://ferry.example/hold" ], Reference.where(use: "plan").pluck(:target_id)
    @room.signposts.delete_all
    assert_empty Reference.where(use: "plan")
    assert_empty Reference.astray
  end

  test "a front page that is erased is one no more, and a link in the plan to it is broken" do
    House.current&.update!(front_page: @target)
    @room.update!(front_page: @target)
    Signpost.new(kind: "link", title: "Hold", target: "page:#{@target.public_id}").stand(above: @room, before: nil)
    @target.put_in_bin(by: @ana)
    @target.reload.erase(by: @ana)
    assert_equal %w[plan], uses
    assert_empty Reference.astray
  end

  test "what has gone astray is found, told and worked out again" do
    @page.links.first.delete
    Reference.create!(page: @page, stage: "draft", use: "link", target_kind: "page", target_id: "x" * 10, target: "page:#{"x" * 10}", label: "x", context: "x")
    assert_equal [ "page #{@page.id}" ], Reference.astray
    assert_equal 2, Reference.rebuild
    assert_empty Reference.astray
    assert_equal 0, Reference.rebuild
  end

  test "no use that is not known is written" do
    unknown = Zuhause::Links::Reference.new(target: Zuhause::Links::Target.parse("page:#{@target.public_id}"), use: :magic)
    assert_raises(ArgumentError) { ReferenceRows.of_text(@page, "draft", [ unknown ]).write }
  end

  private

  def uses
    Reference.where(stage: "set").to(:page, @target.public_id).pluck(:use).uniq.sort
  end
end
