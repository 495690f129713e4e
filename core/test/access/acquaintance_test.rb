require_relative "../test_helper"

class AcquaintanceTest < Minitest::Test
  include Zuhause::Access

  def test_members_meet_every_name_guests_those_who_act_where_they_read_and_others_none
    acting = ->(person) { person == 7 }
    met = ->(viewer) { [ 1, 7, 8 ].select { |person| Acquaintance.meets?(viewer, person, acting: acting) } }
    assert_equal [ 1, 7, 8 ], met.(Viewer.new(id: 1))
    assert_equal [ 1, 7 ], met.(Viewer.new(id: 1, role: :guest))
    assert_empty met.(Viewer.outside)
    assert_empty met.(Viewer.new(id: 1, suspended: true))
    assert_empty met.(Viewer.new(id: 1, role: :guest, suspended: true))
  end

  def test_what_somebody_does_is_asked_for_guests_alone
    asked = ->(_person) { flunk }
    assert Acquaintance.meets?(Viewer.new(id: 1), 8, acting: asked)
    refute Acquaintance.meets?(Viewer.outside, 8, acting: asked)
  end
end
