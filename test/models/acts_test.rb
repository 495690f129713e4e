require "test_helper"

# Acts at random by several people at once, and what must hold of the house afterwards whatever they did. ACTS=… does more of
# them, SEED=… repeats a run as far as threads can be repeated.
class ActsTest < ActiveSupport::TestCase
  include ApartFromTransactions

  THREADS = 3
  ACTS = Integer(ENV.fetch("ACTS", "40"))
  SEED = Integer(ENV.fetch("SEED") { Random.new_seed % 1_000_000 })
  # Answers that an act may get because of what others did meanwhile.
  REFUSALS = [ ActiveRecord::RecordNotFound, ActiveRecord::RecordInvalid, Page::Publishing::Stale, Page::Publishing::Unchanged, Page::Binnable::NoPlace, Placed::NoKeeper ].freeze

  test "whatever people do at once, the house is well and nothing acknowledged is lost" do
    @people = Array.new(3) { |i| person("Hand Number#{i}") }
    @deck = group("Deck", @people.last)
    @rooms = Array.new(2) { |i| new_room("Room #{i}", keeper: @people[i], open: i.zero?) }
    3.times { |i| new_page("First #{i}", above: @rooms[i % 2], by: @people[i % 2]) }
    done = at_once(THREADS) { |i| Acts.new(Random.new(SEED + i), @people, @deck, @rooms).run(ACTS) }

    assert_empty HouseCheck.run.map { |harm| [ harm.what, harm.ids ] }, "SEED=#{SEED}"
    assert_empty ApplicationRecord.connection.select_rows("PRAGMA foreign_key_check"), "SEED=#{SEED}"
    assert_acknowledged(done)
    assert_in_order
    assert_found
    assert_operator done.sum(&:count), :>, ACTS, "most acts should have been done"
  end

  private

  # Every page that was begun is there or has a tombstone, and every text that was saved is among its page's.
  def assert_acknowledged(done)
    begun = done.flat_map { |acts| acts.filter_map { |act, id| id if act == :begin } }
    assert_empty begun - Page.pluck(:public_id) - Tombstone.pluck(:public_id), "SEED=#{SEED}"
    saved = done.flat_map { |acts| acts.select { |act, _id| act == :save } }
    kept = Draft.pluck(:save_id).to_set
    there = Page.pluck(:public_id).to_set
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
      Section.record(page, page.edition.title, page.edition.document)
      assert_equal rows.(page), before, "SEED=#{SEED}"
    end
  end

  # One person's acts, through the code that controllers use.
  class Acts
    KINDS = %i[begin begin save save publish move move bin back erase copy tag grant own join suspend].freeze

    def initialize(random, people, deck, rooms)
      @random, @people, @deck, @rooms = random, people, deck, rooms
    end

    # @return [Array<Array>] what was done
    def run(count)
      count.times.filter_map do
        act = KINDS.sample(random: @random)
        public_send(act)
      rescue *REFUSALS
        nil
      end
    end

    def begin
      page = Page.begin(title: "P#{@random.rand(1000)}", above: place, by: somebody)
      [ :begin, page.public_id ] if page.persisted?
    end

    def save
      page = any
      version = page.draft&.version or raise ActiveRecord::RecordNotFound # erased since it was found
      document = Zuhause::Markup::MarkdownReader.read("# H#{@random.rand(9)}\n\nwords #{@random.rand(1000)}").doc
      id = "act-#{@random.rand(10**9)}"
      page.save_draft(base_version: version, save_id: id, title: page.title, document: document, by: somebody)
      [ :save, page.public_id, id ]
    end

    def publish
      page = any
      version = page.draft&.version or raise ActiveRecord::RecordNotFound
      [ :publish, page.publish(version: version, by: somebody).id ]
    end

    def move
      ([ :move ] if any.move(to: place))
    end

    def bin
      [ :bin, any.put_in_bin(by: somebody).id ]
    end

    def back
      [ :back, binned.put_back_from_bin(to: @random.rand(2).zero? ? place : nil).id ]
    end

    def erase
      ([ :erase ] if binned.erase(by: somebody).positive?)
    end

    def copy
      [ :copy, any.copy(to: place, viewer: Viewer.new(@people.first), title: "Copy").id ]
    end

    def tag
      [ :tag, any.tag_with([ "t#{@random.rand(4)}" ]) ]
    end

    def grant
      [ :grant, [ any, place ].sample(random: @random).grant(Zuhause::Access::Holder.new(:group, @deck.id), %i[read write none].sample(random: @random)) ]
    end

    def own
      [ :own, any.then { |page| page.own_list? ? page.end_own_list : page.make_own_list(by: somebody) } ]
    end

    def join
      [ :join, Group.find(@deck.id).change(name: "Deck", people: Person.where(id: @people.sample(2, random: @random)), by: somebody) ]
    end

    def suspend
      [ :suspend, Person.find(@people.last.id).change(suspended: @random.rand(2).zero?) ]
    end

    private

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
