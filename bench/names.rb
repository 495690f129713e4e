# Names without a link in the large house: all texts read anew, one text, a new name, and the lists of them.
class NamesBench
  include Measuring

  def initialize(house)
    @house = house
  end

  def run
    @house.open_to_some
    ActiveRecord::Base.transaction do
      call_pages_by_words_of_texts
      UnlinkedName.delete_all
      ActiveRecord::Base.connection.execute("DELETE FROM names_read")
      KnownName.update_all(looked_for: true)
      seconds = Benchmark.realtime { UnlinkedName.catch_up }
      printf "all texts of the house read for names in %.0f s (%d places)\n", seconds, UnlinkedName.count
      ActiveRecord::Base.connection.execute("ANALYZE")
      one
      lists
      raise ActiveRecord::Rollback
    end
  end

  private

  # Titles of the large house stand in no text: two thousand pages are also called by two rare words that stand together in one,
  # and twenty by words that stand in many.
  def call_pages_by_words_of_texts
    random = Random.new(1)
    pages = Page.kept.where.not(edition_id: nil).order(:id).to_a.sample(2020, random: random)
    texts = pages.sample(200, random: random).map { |page| Zuhause::Document::Text.of(page.edition.document).scan(/word\d+/).each_cons(2).select { |words| words.all? { |word| word[/\d+/].to_i > 800 } }.map { |words| words.join(" ") } }
    names = pages.each_with_index.map { |page, i| [ page.id, i < 20 ? "word#{i}" : texts.sample(random: random).sample(random: random) ] }
    rows = names.flat_map { |id, name| [ "", "de" ].map { |rules| { page_id: id, name: name, rules: rules, first: Zuhause::Links::Names.keys(name, rules.presence).first } } }
    KnownName.insert_all!(rows)
  end

  def one
    sign_in "p7@bench.example"
    floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
    page = Page.where(id: UnlinkedName.group(:page_id).order(Arel.sql("COUNT(*) DESC")).limit(1).count.keys).first
    measure("the text with most names read for them", floor) { UnlinkedName.read([ page.reload ]) }
    named = Page.find(UnlinkedName.group(:target_id).order(Arel.sql("COUNT(*) DESC")).limit(1).count.keys.first)
    seconds = Benchmark.realtime { KnownName.where(page: named).update_all(looked_for: false) && UnlinkedName.catch_up }
    printf "the name that stands in most texts (%d places) looked for in %.1f s\n", UnlinkedName.where(target: named).count, seconds
  end

  def lists
    { "all" => "p7@bench.example", "half of the rooms" => "p8@bench.example", "twenty pages, a guest" => "guest@bench.example" }.each do |who, email|
      clear_cookies
      sign_in email
      floor = measure("floor, a reader of #{who}") { visit "/profile/password/edit" }
      measure("names without a link, of a reader of #{who}", floor) { visit "/desk/names" }
      viewer = Viewer.new(Person.find_by!(email: email))
      page = UnlinkedNames.new(viewer).named(limit: 1).first&.page or next
      measure("where the first of them stands (#{UnlinkedNames.new(viewer).count_of(page)} texts)", floor) { visit "/p/#{page.to_param}/unlinked" }
      measure("a page that says how many", floor) { visit "/p/#{page.to_param}" }
    end
  end
end
