# What points where, in the large house: as a reader of all, of half, and a guest of twenty pages. Promised titles, addresses of
# other sites and links to parts that are gone are put in for as long as it is measured.
class LinksBench
  PROMISED = 3_000
  SITES = 3_000
  GONE = 300

  include Measuring

  def initialize(house)
    @house = house
  end

  def run
    Reference.transaction do
      fill
      ask
      raise ActiveRecord::Rollback
    end
  end

  private

  def ask
    sign_in "p7@bench.example"
    floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
    { "p7" => "a reader of all", "p8" => "a reader of half", "guest" => "a guest of twenty pages" }.each do |who, name|
      clear_cookies
      sign_in "#{who}@bench.example"
      puts "#{name}:"
      look(Viewer.new(Person.find_by!(email: "#{who}@bench.example")), floor)
    end
    store
  end

  def look(viewer, floor)
    page = most_led_to(viewer)
    count = LinkedFrom.new(page, viewer).count_of_all
    measure("what points to a page: #{count} pages", floor) { visit "/p/#{page.to_param}/linked-from" }
    measure("the desk (of all): #{PromisedPages.new(viewer).count} promised, #{BrokenLinks.new(viewer).count} broken, #{SeenAddresses.new(viewer).count} addresses", floor) { visit "/desk?of=house" }
    measure("promised pages", floor) { visit "/desk/promised" }
    measure("links that lead nowhere", floor) { visit "/desk/broken" }
    measure("addresses of other sites", floor) { visit "/desk/addresses" }
    measure("loose pages", floor) { visit "/desk/loose" }
    measure("pages that no front page leads to", floor) { visit "/desk/loose?show=unreached" }
    measure("the neighbourhood of a page, three steps", floor) { visit "/p/#{page.to_param}/neighbourhood?steps=3" }
    measure("the map of its room", floor) { visit "/rooms/#{page.room.public_id}/map" }
    measure("pages like it", floor) { visit "/p/#{page.to_param}/related" }
    measure("what may already say it, by a title of two words", floor) { visit "/likely?q=word800+word900" }
  end

  def most_led_to(viewer)
    Page.read_by(viewer).where(public_id: Reference.where(target_kind: "page").group(:target_id).order(Arel.sql("COUNT(*) DESC")).limit(5_000).pluck(:target_id)).order(:id).first || Page.read_by(viewer).first
  end

  # A page of a hundred links, of which one is another now.
  def store
    page = Page.where(own_list: false).order(:id).first
    ids = Page.limit(101).pluck(:public_id)
    turn = 0
    versions = [ ids.first(100), ids.last(100) ].map { |all| State.new(title: page.title, document: Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read(all.map { |id| "A line with [a link](page:#{id}) in it." }.join("\n\n")).doc, random: Random.new(1)).doc).tap(&:prepare) }
    saved = measure("saving a page of a hundred links") do
      Page.transaction(requires_new: true) do
        page.reload.save_draft(versions[(turn += 1) % 2], base_version: page.draft.version, by: page.author)
        raise ActiveRecord::Rollback
      end
    end
    ReferenceRows.of_text(page, "draft", versions[0].points).write
    measure("of that, storing what it points to, where one differs", saved) { ReferenceRows.of_text(page, "draft", versions[(turn += 1) % 2].points).write }
  end

  def fill
    pages = Page.where(own_list: false).order(:id).limit(PROMISED).pluck(:id)
    rows = pages.each_with_index.map { |id, i| row(id, "promise", "promised#{i % 900}", "promise:Promised #{i % 900}") }
    rows += pages.first(SITES).each_with_index.map { |id, i| row(id, "web", "https://site#{i % 700}.example/#{i % 1500}", "https://site#{i % 700}.example/#{i % 1500}") }
    rows.each_slice(1_000) { |some| Reference.insert_all!(some) }
    Reference.where(id: Reference.where(target_kind: "page", stage: "edition").limit(GONE).select(:id)).update_all("part_gone = 1, target_block = 'nowhere1', target = target || '#nowhere1'")
    WebAddress.gather
    WebAddress.where("id % 3 = 0").update_all(state: "gone")
  end

  def row(page_id, kind, id, target)
    { page_id: page_id, stage: "edition", use: "link", target_kind: kind, target_id: id, target: target, label: "words", context: "with words around" }
  end
end
