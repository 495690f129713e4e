require "test_helper"

# What a page leads to, and its readers may not see.
class ShutTargetsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cem = person("Ana Berg"), person("Ben Holt"), person("Cem Aydin")
    @open, @pay = new_room("On Board", keeper: @ana, open: true), new_room("Pay", keeper: @ana)
    @wages, @crew = new_page("Wages", above: @pay, by: @ana), new_page("Crew", above: @open, by: @ana)
    @secret = new_page("Secret", above: new_room("Cem's", keeper: @cem), by: @cem)
    @page = new_page("Gangway", above: @open, by: @ana, markdown: "See [wages](page:#{@wages.public_id}), [crew](page:#{@crew.public_id}), [secret](page:#{@secret.public_id}).")
  end

  test "pages that readers may not see are told with how many, of those one sees oneself" do
    assert_equal [ [ "Wages", 2, false, false ] ], told(@ana)
    assert_empty told(@ben)
    assert_equal [ [ "Secret", 2, false, false ] ], told(@cem)
  end

  test "opening what is led to ends it, opening the page to more widens it" do
    @pay.grant(holder(:everyone), :read)
    assert_empty told(@ana)
    House.current.update!(public_addresses: true)
    @page.reload.grant(holder(:anyone), :read)
    assert_equal [ [ "Crew", 0, false, true ], [ "Wages", 0, false, true ] ], told(@ana)
  end

  test "a page that was never published is seen by who may write it, and an insert says that it is shown" do
    draft = new_page("Plan", above: @open, by: @ana, publish: false)
    save_text(@page.reload, "::: live_insert {page=\"#{draft.public_id}\"}\n:::", by: @ana)
    assert_equal [ [ "Plan", 2, true, false ] ], told(@ana, stage: "draft")
    assert_equal [ "Wages" ], told(@ana).map(&:first)
  end

  private

  def told(person, stage: "edition")
    ShutTargets.of(@page.reload, viewer(person), stage: stage).map { |row| [ row.page.title, row.readers, row.shown, row.outside ] }
  end
end
