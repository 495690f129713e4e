require "test_helper"
require "support/told_house"

# In houses made by chance, once pages have been closed to somebody no word of them reaches that person any more: by no letter or
# its subject, no feed, no list and no number.
class ClosedWordsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  HOUSES, ACTS = ENV["LONG"] ? [ 20, 60 ] : [ 3, 40 ]
  LISTS = [ "/news", "/news?show=mine", "/news?show=kept", "/news?show=followed", "/news?show=all", "/changes", "/changes?small=1", "/pages?of=changed" ].freeze

  HOUSES.times do |number|
    test "no word of a closed page, in house #{number}" do
      random = Random.new((SEED * 100) + number)
      @house = ToldHouse.new(random)
      ACTS.times { @house.act }
      told = Telling.distinct.count(:page_id)
      assert_operator told, :>, 0
      closed = @house.pages.sample(3, random: random)
      closed.each { |page| @house.shut(page) }
      before = SentMail.maximum(:id).to_i
      9.times { |day| travel(day.days + 1.hour) { 24.times { |hour| travel(day.days + hour.hours) && SendLettersJob.perform_now } } }
      travel_back
      @house.people.reject(&:suspended?).each { |person| look(person, SentMail.where(recipient: person.email, id: (before + 1)..)) }
    end
  end

  private

  def look(person, mails)
    viewer = Viewer.new(person.reload)
    words = @house.pages.reject { |page| viewer.sees?(page.reload) }.map { |page| @house.word_of(page) }
    unsaid("a letter to #{person.name}", mails.map { |mail| [ mail.subject, mail.body ] }.join(" "), words)
    token = FeedKey.of(person).token
    reset!
    [ "/feeds/#{token}/news", "/feeds/#{token}/changes" ].each { |path| unsaid("#{path} for #{person.name}", got(path), words) }
    sign_in person
    LISTS.each { |path| unsaid("#{path} for #{person.name}", got(path), words) }
    assert_equal waiting(viewer), css_select(".act-count").text.to_i, person.name
  end

  # Pages and rooms with something that has not been looked at, and may be seen.
  def waiting(viewer)
    unseen = Telling.where(person: viewer.person, seen_at: nil).includes(:page, :room).select do |telling|
      next viewer.level_on(telling.room) != :none unless telling.page

      telling.of_draft? ? viewer.sight_of(telling.page) == :draft : viewer.sees?(telling.page)
    end
    unseen.map(&:told_of).uniq.size
  end

  def got(path)
    get path
    assert_response :success, path
    response.body
  end

  def unsaid(where, text, words)
    words.each { |word| assert_not_includes text, word, "SEED=#{SEED}: #{where}" }
  end
end
