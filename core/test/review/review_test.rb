require_relative "../test_helper"

# Looking over before publishing: the table of states and acts, and how a review stands by the rules, the draft and the people.
class ReviewTest < Minitest::Test
  include Zuhause

  Table = Review::Table

  def test_the_table_is_complete
    assert_equal Table::STATES.sort, Table::AFTER.keys.sort
    Table::STATES.product(Table::ACTS).each do |state, act|
      after = Table.after(state, act)
      assert [ nil, :judged, :same, *Table::STATES ].include?(after), "#{state} #{act}: #{after}"
    end
    assert_equal Table::ACTS.sort, (Table::WHO.keys + Table::BESIDES.keys).sort
    assert_raises(KeyError) { Table.after(:asked, :dance) }
    assert_raises(KeyError) { Table.after(:danced, :ask) }
  end

  def test_from_every_state_there_is_a_way_to_being_published
    ways = Table::STATES.to_h { |state| [ state, Table::ACTS.filter_map { |act| Table.after(state, act) }.flat_map { |after| after == :judged ? Table::OPEN : after == :same ? [ state ] : [ after ] } ] }
    Table::STATES.each do |state|
      reached = [ state ]
      reached |= reached.flat_map { |each| ways[each] } until (reached | reached.flat_map { |each| ways[each] }) == reached
      assert_includes reached, :published, state
    end
  end

  def test_nobody_does_what_is_not_theirs
    assert Table.may?(:asked, :approve, %i[approver])
    refute Table.may?(:asked, :approve, %i[writer asker])
    refute Table.may?(:sent_back, :approve, %i[approver])
    refute Table.may?(:asked, :publish, %i[writer approver asker])
    assert Table.may?(:approved, :publish, %i[writer])
    refute Table.may?(:approved, :publish, %i[approver])
    Table::WHO.each_key { |act| refute Table::STATES.any? { |state| Table.may?(state, act, []) }, act }
  end

  def test_rules_nearest_to_the_page_hold
    page, room = rules(needed: 1), rules(needed: 2)
    assert_equal [ page, room, nil ], [ [ nil, page, room ], [ nil, nil, room ], [ nil, nil ] ].map { |path| Review::Rules.nearest(path) }
  end

  def test_approvals_count_for_what_was_approved_by_those_who_may_now
    assert_equal :asked, standing([]).state
    assert_equal :approved, standing([ approval(1) ]).state
    assert_equal :asked, standing([ approval(1, digest: "older") ]).state, "the draft has changed since"
    assert_equal :asked, standing([ approval(1, active: false) ]).state, "suspended"
    assert_equal :asked, standing([ approval(9) ]).state, "may not approve"
    assert_equal :approved, standing([ approval(5, groups: [ 70 ]) ]).state, "through a group"
    assert_equal :asked, standing([ approval(5, groups: []) ]).state, "who has left the group"
  end

  def test_nobody_approves_their_own_changes_unless_the_rules_say_so
    assert_equal :asked, standing([ approval(1) ], writers: [ 1 ]).state
    assert_equal :approved, standing([ approval(1) ], writers: [ 1 ], rules: rules(own: true)).state
  end

  def test_as_many_as_are_needed_each_once
    two = rules(needed: 2)
    assert_equal [ :asked, 1 ], standing([ approval(1), approval(1) ], rules: two).then { |told| [ told.state, told.missing ] }
    assert_equal [ :approved, 0 ], standing([ approval(1), approval(2) ], rules: two).then { |told| [ told.state, told.missing ] }
    assert standing([ approval(1) ], rules: two, able: 1).stuck?
    refute standing([ approval(1) ], rules: two, able: 2).stuck?
  end

  def test_rules_that_are_gone_hold_nobody_up
    assert_equal :lapsed, standing([], rules: nil).state
    assert_equal :free, Review::Standing.new(nil, rules: nil, digest: "now").state
    assert standing([], rules: nil).publishable?
  end

  def test_small_changes_go_through_where_the_rules_let_them
    refute standing([]).publishable?
    assert standing([]).publishable?(small: true)
    refute standing([], rules: rules(small: false)).publishable?(small: true)
    refute Review::Standing.new(Review::Standing::Kept.new(closed: :sent_back, approvals: [ approval(1) ]), rules: rules, digest: "now").publishable?
  end

  # Whatever people do, at random: nothing is published but what as many approved as it takes, none of them its writers.
  def test_generated_acts_publish_nothing_that_was_not_approved
    200.times do |number|
      random = Random.new((SEED * 1000) + number)
      needed = 1 + random.rand(2)
      house = { state: :unasked, digest: 0, writers: [], approvals: [] }
      30.times do
        actor, act = 1 + random.rand(4), %i[ask approve send_back withdraw publish change].sample(random: random)
        step(house, actor, act, rules(needed: needed), "seed #{SEED}, number #{number}")
      end
    end
  end

  private

  def rules(needed: 1, own: false, small: true)
    Review::Rules.new(approvers: [ *[ 1, 2, 3 ].map { |id| Access::Holder.new(:person, id) }, Access::Holder.new(:group, 70) ], needed: needed, own: own, small: small)
  end

  def approval(person, digest: "now", groups: [], active: true)
    Review::Approval.new(person: person, digest: digest, groups: groups, active: active)
  end

  def standing(approvals, rules: self.rules, writers: [], able: nil)
    Review::Standing.new(Review::Standing::Kept.new(closed: nil, approvals: approvals), rules: rules, digest: "now", writers: writers, able: able)
  end

  # Everybody writes; the first three approve.
  def step(house, actor, act, rules, told)
    return change(house, actor) if act == :change

    who = [ :writer, (:approver if rules.may_approve?(actor)), (:asker if house[:asker] == actor) ].compact
    return unless Table.may?(house[:state], act, who)

    house[:approvals] << approval(actor, digest: house[:digest]) if act == :approve
    house.merge!(asker: actor, approvals: []) if act == :ask
    after = Table.after(house[:state], act)
    house[:state] = after == :judged ? judged(house, rules) : after
    return unless act == :publish

    approved = house[:approvals].select { |each| each.digest == house[:digest] && !house[:writers].include?(each.person) }.map(&:person).uniq
    assert_operator approved.size, :>=, rules.needed, told
    house.merge!(writers: [], approvals: [], state: :published)
  end

  def change(house, actor)
    house.merge!(digest: house[:digest] + 1, writers: house[:writers] | [ actor ])
    house[:state] = :asked if house[:state] == :approved
  end

  def judged(house, rules)
    Review::Standing.new(Review::Standing::Kept.new(closed: nil, approvals: house[:approvals]), rules: rules, digest: house[:digest], writers: house[:writers]).state
  end
end
