require "test_helper"

# What a drawn map is made of, as far as somebody reads it.
class DrawnLinksTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @one, @two, @three = %w[One Two Three].map { |title| new_page(title, above: @room, by: @ana) }
    link(@one, @two)
    link(@two, @one)
    link(@three, @two)
  end

  test "what is met in one direction is gone on from in the other too" do
    assert_equal({ @one => 0, @two => 1, @three => -2 }, steps(@one, @ben, 2))
    assert_equal({ @one => 0, @two => 1 }, steps(@one, @ben, 1))
  end

  test "closed pages and what only they lead to are not drawn" do
    closed = new_page("Closed", above: new_room("Crew", keeper: @ana), by: @ana)
    link(closed, @one)
    link(@three, @two, closed)
    assert_equal({ @one => 0, @two => 1, @three => -2 }, steps(@one, @ben, 3))
    assert_equal(-1, steps(@one, @ana, 3)[closed])
    assert_equal [ [], 1 ], [ DrawnLinks.of_room(@room, viewer(@ben)), DrawnLinks.of_room(@room, viewer(@ana)) ].map { |drawn| drawn.map.bridges }.then { |ben, ana| [ ben, ana.size - 1 ] }
  end

  private

  def link(page, *others)
    save_text(page.reload, others.map { |other| "[x](page:#{other.public_id})" }.join(" "), by: @ana)
    page.publish(version: page.draft.version, by: @ana)
  end

  def steps(page, person, steps)
    DrawnLinks.around(page, viewer(person), steps: steps).map.steps.transform_keys { |id| Page.find(id) }
  end
end
