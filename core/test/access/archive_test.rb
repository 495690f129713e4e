require_relative "../test_helper"

class ArchiveTest < Minitest::Test
  include Zuhause::Access

  def test_an_archived_room_is_closed_to_writing_and_open_to_reading_and_keeping
    keeper = Viewer.new(id: 1)
    open, closed = [ false, true ].map { |archived| Acts::TABLE.keys.select { |act| Acts.may?(act, keeper, level: :keep, archived: archived) } }
    assert_equal %i[read look_over pin copy see_bin grant template own_list review_rules retract give_notice check_rules see_readers erase archive describe_room make_room terms], closed
    assert_equal %i[answer_help tick comment edit rename publish bin put_back add_subpage tag add_page check outdate put_aside join], open - closed
  end

  def test_nothing_moves_into_or_out_of_an_archived_room
    keep = [ Grant.new(Holder.new(:person, 1), :keep) ]
    viewer = Viewer.new(id: 1)
    open, shut = Place.new(:open, grants: keep), Place.new(:shut, grants: keep, archived: true)
    assert Acts.move?(viewer, Place.new(:page, above: open), open, Switches.all_on)
    refute Acts.move?(viewer, Place.new(:page, above: open), shut, Switches.all_on)
    refute Acts.move?(viewer, Place.new(:page, above: shut), open, Switches.all_on)
    refute Acts.move?(viewer, Place.new(:page, above: Place.new(:above, above: shut)), shut, Switches.all_on)
  end
end
