require "test_helper"

class ActsOfHappeningsTest < Minitest::Test
  Acts = Zuhause::Happenings::Acts

  def test_every_act_says_what_it_is_about_and_who_may_read_of_it
    Acts::TABLE.each do |name, act|
      assert_includes %i[page room place person group house], act.about, name
      assert_includes %i[readers hearers writers keepers administrators], act.readers, name
      assert_includes [ true, false ], act.news, name
      assert(act.days.nil? || act.days.positive?, name)
    end
  end

  # Whoever may not see a place never reads of what is done to people there; what is done to people concerns no place.
  def test_people_and_groups_are_read_of_by_administrators_alone
    Acts::TABLE.each { |name, act| assert_equal %i[person group house].include?(act.about), act.readers == :administrators, name }
  end

  def test_changes_of_access_are_kept_for_good_and_read_by_keepers
    %w[given changed taken own_list_made own_list_ended joined stayed taken_over].each do |name|
      assert_equal [ :keepers, nil, false ], Acts.fetch(name).to_h.values_at(:readers, :days, :news)
    end
  end

  def test_what_is_news_is_of_pages_that_are_read
    of_pages, said = Acts.named(&:news).partition { |name| Acts.fetch(name).about == :page }
    assert_equal %w[published restored named], of_pages
    of_pages.each { |name| assert_equal :readers, Acts.fetch(name).readers }
    said.each { |name| assert_equal %i[place hearers], [ Acts.fetch(name).about, Acts.fetch(name).readers ] }
  end

  def test_only_few_pass
    assert_equal({ 365 => %w[ticked signed_in signed_out] }, Acts.passing)
    assert_raises(KeyError) { Acts.fetch(:danced) }
  end
end
