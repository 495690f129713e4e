require "test_helper"

# Names of pages in texts without a link: what each may see of them, and that they follow whatever changes.
class UnlinkedNamesTest < ActiveSupport::TestCase
  include ReadsNames

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room, @closed = new_room("On Board", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @gangway = new_page("Gangway", above: @room, by: @ana, markdown: "Grit.")
    @text = new_page("Watch", above: @room, by: @ana, markdown: "Look at the gangway in ice, and at gangways. The drills wait.")
  end

  test "a title that comes is found in texts that were there, and a text that comes has the titles that are there" do
    assert_equal [ [ "Gangway", 1 ] ], told(@ben)
    drills = new_page("Drills", above: @room, by: @ana, markdown: "The watch.")
    assert_equal [ [ "Drills", 1 ], [ "Gangway", 1 ], [ "Watch", 1 ] ], told(@ben)
    assert_equal [ "Look at the gangway in ice, and at gangways. The [drills] wait." ], contexts(drills)
    assert_equal [ "Look at the [gangway] in ice, and at gangways. The drills wait.", "Look at the gangway in ice, and at [gangways]. The drills wait." ], contexts(@gangway)
  end

  test "what is renamed, named otherwise, published anew or linked is told as it is then" do
    @gangway.reload.rename("Brow", by: @ana)
    assert_empty told(@ben)
    @gangway.reload.name_also([ "Gangway in ice" ], by: @ana)
    assert_equal [ [ "Brow", 1 ] ], told(@ben)
    write("Nothing of the kind.")
    assert_empty told(@ben)
    write("A brow, and a brow.")
    assert_equal [ [ "Brow", 1 ] ], told(@ben)
    write("A brow, and a [brow](page:#{@gangway.public_id}).")
    assert_empty told(@ben)
  end

  test "of names in each other the longer one counts, but for who does not see its page" do
    ice = new_page("Gangway in ice", above: @closed, by: @ana, markdown: "Grit.")
    assert_equal [ [ "Gangway", 1 ], [ "Gangway in ice", 1 ] ], told(@ana)
    assert_equal [ "[gangways]" ], contexts(@gangway, @ana).map { |context| context[/\[.*\]/] }
    assert_equal [ "[gangway]", "[gangways]" ], contexts(@gangway).map { |context| context[/\[.*\]/] }
    assert_equal [ "[gangway in ice]" ], contexts(ice, @ana).map { |context| context[/\[.*\]/] }
    assert_equal [ [ "Gangway", 1 ] ], told(@ben)
  end

  test "neither closed texts nor closed pages are told of, nor what is in the bin or not published" do
    new_page("Rota", above: @closed, by: @ana, markdown: "The gangway.")
    new_page("Drills", above: @closed, by: @ana)
    new_page("Grit", above: @room, by: @ana, publish: false)
    assert_equal [ [ "Gangway", 1 ] ], told(@ben)
    assert_equal [ [ "Gangway", 3 ] ], told(@ana).select { |title, _| title == "Gangway" }.map { |title, count| [ title, count + 1 ] }
    @text.put_in_bin(by: @ana)
    assert_empty told(@ben)
  end

  test "what was worked out step by step is what comes of reading everything anew, in houses made by chance" do
    (ENV["LONG"] ? 20 : 3).times do |number|
      random = Random.new((SEED * 100) + number)
      words = %w[ice gangway the drills IC bodies Straße rope-walk keeper's]
      name = -> { Array.new(random.rand(1..3)) { words.sample(random: random) }.join(" ") }
      text = -> { Array.new(12) { words.sample(random: random).then { |word| [ word, "#{word}s", word.upcase ].sample(random: random) } }.join(" ") }
      pages = Array.new(5) { new_page("#{name.call} #{number}", above: @room, by: @ana, markdown: text.call) }
      12.times do
        page = pages.sample(random: random).reload
        case random.rand(4)
        when 0 then page.rename(name.call, by: @ana)
        when 1 then page.name_also(Array.new(random.rand(3)) { name.call }.uniq(&:downcase).reject { |one| one.casecmp?(page.title) }, by: @ana)
        when 2 then write(text.call, page: page)
        else page.update!(language: [ nil, "de", "en" ].sample(random: random))
        end
      end
      assert_equal anew, UnlinkedName.order(:page_id, :target_id, :block_id, :start).pluck(:page_id, :target_id, :block_id, :start, :length).sort, "SEED=#{SEED}, house #{number}"
    end
  end

  test "of many that come at once all texts are read once, in portions, with what is asked for one by one as the outcome" do
    ReadNamesJob.queue_adapter = :test
    words = %w[ice rope salt grit stage ramp]
    random = Random.new(SEED)
    (UnlinkedName::NEW + 5).times { |i| new_page("#{words.sample(2, random: random).join(" ")} #{i % 4}", above: @room, by: @ana, markdown: Array.new(30) { (words + %w[0 1 2 3]).sample(random: random) }.join(" ")) }
    assert_predicate UnlinkedName, :behind?
    assert_equal 0, UnlinkedName.catch_up(seconds: -1), "others have their turn"
    assert_predicate UnlinkedName, :behind?
    looked = Page.connection.select_value("SELECT COUNT(*) FROM names_read")
    ReadNamesJob.perform_now
    assert_not UnlinkedName.behind?
    assert_equal 0, looked
    assert_operator UnlinkedName.count, :>, UnlinkedName::NEW
    assert_equal anew, UnlinkedName.pluck(:page_id, :target_id, :block_id, :start, :length).sort
  end

  private

  def write(markdown, page: @text)
    save_text(page.reload, markdown, by: @ana)
    page.publish(version: page.draft.version, by: @ana)
  end

  def told(person)
    UnlinkedNames.new(viewer(person)).then do |names|
      rows = names.named(limit: 20).map { |named| [ named.page.title, named.pages ] }.sort
      assert_equal names.count, rows.size
      rows
    end
  end

  def contexts(page, person = @ben)
    UnlinkedNames.new(viewer(person)).places_of(page, limit: 20).map { |place| place.context.tr(Search::OPENING, "[").tr(Search::CLOSING, "]") }
  end

  # By walking through each text with all names.
  def anew
    Page.where.not(edition_id: nil).flat_map do |page|
      rules = Zuhause::Links::Promised.rules_of(page.language)
      names = Page.where.not(id: page.id).flat_map { |other| [ other.title, *other.other_names.pluck(:name) ].map { |name| Zuhause::Links::Names::Name.new(name, other.id) } }
      Zuhause::Links::Names.new(names, rules).places(page.edition.document).uniq.group_by(&:id).values.flat_map { |same| same.first(UnlinkedName::MOST) }.map { |place| [ page.id, place.id, place.block, place.start, place.length ] }
    end.sort
  end
end
