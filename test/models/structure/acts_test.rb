require "test_helper"

# Acts at random by several people at once: afterwards the house is what a plain model says that they made of it, and what
# must hold holds. ACTS=… does more of them, ROUNDS=… begins so many houses, SEED=… repeats a run as far as threads can be
# repeated.
class ActsTest < ActiveSupport::TestCase
  include ApartFromTransactions

  THREADS = 3
  ACTS = Integer(ENV.fetch("ACTS", "40"))
  ROUNDS = Integer(ENV.fetch("ROUNDS", "2"))
  # Answers that an act may get because of what others did meanwhile.
  REFUSALS = [ ActiveRecord::RecordNotFound, ActiveRecord::RecordInvalid, Page::Publishing::Stale, Page::Publishing::Unchanged, Page::Binnable::NoPlace, Placed::NoKeeper ].freeze

  ROUNDS.times do |round|
    test "whatever people do at once, the house is what they made of it and is well: round #{round}" do
      @people = Array.new(3) { |i| person("Hand Number#{i}") }
      @deck = group("Deck", @people.last)
      @rooms = Array.new(2) { |i| new_room("Room #{i}", keeper: @people[i], open: i.zero?) }
      3.times { |i| new_page("First #{i}", above: @rooms[i % 2], by: @people[i % 2]) }
      plain = PlainHouse.new(@rooms, @people, @deck)
      taken = Taken.new
      done = taken.listening { at_once(THREADS) { |i| Acts.new(Random.new(SEED + (THREADS * round) + i), @people, @deck, @rooms, taken).run(ACTS) } }

      taken.each { |act| plain.apply(act) }
      assert_same_as(plain)
      assert_empty HouseCheck.run.map { |harm| [ harm.what, harm.ids ] }, "SEED=#{SEED}"
      assert_empty ApplicationRecord.connection.select_rows("PRAGMA foreign_key_check"), "SEED=#{SEED}"
      assert_acknowledged(done)
      assert_in_order
      assert_found
      assert_operator done.sum(&:count), :>, ACTS, "most acts should have been done"
    end
  end

  private

  def assert_same_as(plain)
    house = PlainHouse.of_house
    differing = (plain.to_h.to_a - house.to_a | house.to_a - plain.to_h.to_a).map(&:first).uniq
    assert_empty differing.to_h { |id| [ id, [ plain.to_h[id], house[id] ] ] }, "SEED=#{SEED}"
    drafts = Page.includes(:draft).to_h { |page| [ page.id, page.draft.save_id ] }
    assert_equal plain.texts.sort, drafts.slice(*plain.texts.keys).sort, "SEED=#{SEED}"
    @people.each { |person| assert_equal plain.seen_by(person.id).sort, Page.seen_by(Viewer.new(Person.find(person.id))).ids.sort, "SEED=#{SEED}" }
  end

  # Every page that was begun is there or has a tombstone, and every text that was saved is among its page's.
  def assert_acknowledged(done)
    begun = done.flat_map { |acts| acts.filter_map { |act, id| id if act == :begin } }
    assert_operator Tombstone.count, :>=, (begun - Page.ids).size, "SEED=#{SEED}"
    saved = done.flat_map { |acts| acts.select { |act, _id| act == :save } }
    kept = Draft.pluck(:save_id).to_set
    there = Page.ids.to_set
    assert_empty saved.filter_map { |_act, page, save| save if there.include?(page) && !kept.include?(save) }, "SEED=#{SEED}"
  end

  def assert_in_order
    assert_empty Page.group(:room_id, :ancestry, :position).having("COUNT(*) > 1").count, "SEED=#{SEED}"
    Edition.order(:number).pluck(:page_id, :number).group_by(&:first).each_value { |rows| assert_equal (1..rows.size).to_a, rows.map(&:last), "SEED=#{SEED}" }
  end

  # The index is what it would be if it were made again.
  def assert_found
    rows = ->(page) { Section.where(page: page).order(:position).pluck(:heading, :body) }
    Page.includes(:edition).where.not(edition_id: nil).find_each do |page|
      before = rows.(page)
      Section.follow_edition(page, page.edition)
      assert_equal rows.(page), before, "SEED=#{SEED}"
    end
  end

  # The order in which the database takes what is done: while a transaction is committed, its thread alone holds the lock.
  class Taken
    def initialize
      @acts = []
    end

    # What the thread does next is one act; its first commit is when it is taken.
    def noting
      Thread.current[:act] = act = []
      yield.tap { |done| act.replace(done) if done }
    ensure
      Thread.current[:act] = nil
    end

    def listening
      subscriber = ActiveSupport::Notifications.subscribe("sql.active_record", self)
      yield
    ensure
      ActiveSupport::Notifications.unsubscribe(subscriber)
    end

    def start(_name, _id, payload)
      act = Thread.current[:act]
      return unless act && payload[:sql].match?(/\Acommit/i)

      @acts << act
      Thread.current[:act] = nil
    end

    def finish(*); end

    # Those that were done, not those that were refused.
    def each(&block)
      @acts.reject(&:empty?).each(&block)
    end
  end

  # People's acts, through the code that controllers use. What they are about is read before, so that others may have
  # changed it by the time it is done.
  class Acts
    KINDS = %i[begin begin save save publish move move bin back erase copy tag grant own join suspend].freeze

    def initialize(random, people, deck, rooms, taken)
      @random, @people, @deck, @rooms, @taken = random, people, deck, rooms, taken
    end

    # @return [Array<Array>] what was done
    def run(count)
      count.times.filter_map do
        act = KINDS.sample(random: @random)
        @taken.noting { public_send(act) }
      rescue *REFUSALS
        nil
      end
    end

    def begin
      above = place
      page = Page.begin(title: "P#{@random.rand(1000)}", above: above, by: somebody)
      [ :begin, page.id, plainly(above) ] if page.persisted?
    end

    def save
      page = any
      version = page.draft.version
      document = Zuhause::Markup::MarkdownReader.read("# H#{@random.rand(9)}\n\nwords #{@random.rand(1000)}").doc
      id = "act-#{@random.rand(10**9)}"
      saved = page.save_draft(State.new(title: page.title, document: document), base_version: version, save_id: id, by: somebody)
      [ :save, page.id, id, saved.version.present? ]
    end

    def publish
      page = any
      version = page.draft.version
      page.publish(version: version, by: somebody) && [ :publish, page.id ]
    rescue Page::Publishing::Unsettled
      nil
    end

    def move
      page, above = any, place
      [ :move, page.id, plainly(above) ] if page.move(to: above)
    end

    def bin
      page, by = any, somebody
      page.put_in_bin(by: by) && [ :bin, page.id, by.id ]
    end

    def back
      page, above = binned, (place if @random.rand(2).zero?)
      page.put_back_from_bin(to: above) && [ :back, page.id, (plainly(above) if above) ]
    end

    def erase
      page, by = binned, somebody
      [ :erase, page.id, by.id ] if page.erase(by: by).positive?
    end

    def copy
      page, above = any, place
      copy = page.copy(to: above, viewer: Viewer.new(Person.find(@people.first.id)), title: "Copy", below: false)
      [ :copy, copy.id, page.id, plainly(above) ]
    end

    def tag
      page, tags = any, [ "t#{@random.rand(4)}" ]
      page.tag_with(tags) && [ :tag, page.id, tags ]
    end

    def grant
      given, level = [ any, place ].sample(random: @random), %i[read write none].sample(random: @random)
      given.grant(Zuhause::Access::Holder.new(:group, @deck.id), level)
      [ :grant, plainly(given), [ :group, @deck.id ], level ]
    end

    def own
      page, by = any, somebody
      page.own_list? ? page.end_own_list : page.make_own_list(by: by)
      page.own_list? ? [ :own, page.id, by.id ] : [ :shared, page.id ]
    end

    def join
      people = @people.sample(2, random: @random).map(&:id)
      [ :join, people ] if Group.find(@deck.id).change(name: "Deck", people: Person.where(id: people), by: somebody)
    end

    def suspend
      person, suspended = Person.find(@people.last.id), @random.rand(2).zero?
      [ :suspend, person.id, suspended ] if person.change(suspended: suspended)
    end

    private

    # @return [Integer, Array(Integer)] a page, or a room
    def plainly(place)
      place.is_a?(Room) ? [ place.id ] : place.id
    end

    def somebody
      Person.find(@people.sample(random: @random).id)
    end

    def any
      Page.find(Page.ids.sample(random: @random) || raise(ActiveRecord::RecordNotFound))
    end

    def binned
      Page.find(Page.bin_roots.ids.sample(random: @random) || raise(ActiveRecord::RecordNotFound))
    end

    def place
      @random.rand(3).zero? ? Room.find(@rooms.sample(random: @random).id) : any
    end
  end
end
