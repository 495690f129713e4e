require "test_helper"

# What somebody alone keeps is listed and given to somebody else in one act.
class KeepingsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @board, @pay = new_room("On Board", keeper: @ana), new_room("Pay", keeper: @ana)
    @pay.grant(holder(@ben), :keep)
    @wages = new_page("Wages", above: @pay, by: @ben).tap { |page| page.make_own_list(by: @ana) }
    @wages.reload.grant(holder(@ben), :none)
  end

  test "alone is who has no other active keeper beside them for good" do
    assert_equal [ @board, @wages ], Keepings.new(@ana).places
    assert_empty Keepings.new(@ben).places
    @ben.change(suspended: true)
    assert_equal [ @board, @pay, @wages ], Keepings.new(@ana).places
    @board.grant(holder(@eve), :keep, ends_on: Date.current + 3)
    assert_includes Keepings.new(@ana).places, @board
  end

  test "given to somebody else, also once its keeper is suspended, recorded and told" do
    @ana.change(suspended: true)
    assert_equal 3 - 1, Keepings.new(@ana).hand_over(to: @ben, by: @eve)
    assert_equal %i[keep keep], [ @board, @wages ].map { |place| viewer(@ben).level_on(place.reload) }
    assert_empty Keepings.new(@ana).places
    assert_equal 2, Happening.where(act: "given").count
    assert_equal [ @ben.email ], SentMail.distinct.pluck(:recipient)
    assert_equal :none, viewer(@eve).level_on(@wages.reload)
  end
end
