# Loads the demo house from the open files under demo/, through the code that people's own acts use. Dates there are
# told as days ago, and times are counted from the day of loading.
class DemoHouse
  FOLDER = Rails.root.join("demo")

  def self.load
    new.load
  end

  def load
    Happening.quietly { ApplicationRecord.transaction { build } }
    self
  end

  private

  def build
    make_house
    enter_sources
    rooms.each { |path| make_room(path) }
    furnish
    settings[:people].each { |entry| @people.fetch(entry[:key]).update!(suspended: true) if entry[:suspended] }
    read_yaml(FOLDER.join("terms.yml")).each { |entry| Term.create!(person: @people.fetch("rosa.tamm"), **entry) }
    DemoReviews.new(read_yaml(FOLDER.join("reviews.yml")), @people, @groups).load
    DemoTalk.new(read_yaml(FOLDER.join("talk.yml")), @people).load
    DemoInviting.new(read_yaml(FOLDER.join("inviting.yml")), @people).load
    FileText.catch_up
    DemoSearches.new(read_yaml(FOLDER.join("searches.yml")), @people).load
    freshness = DemoFreshness.new(read_yaml(FOLDER.join("freshness.yml")), @people)
    freshness.load
    DemoNews.new(read_yaml(FOLDER.join("news.yml")), @people, @groups).load
    AddressCheck.new(web: SimulatedWeb.new, pause: 0).run
    freshness.send_letters
  end

  def settings
    @settings ||= read_yaml(FOLDER.join("house.yml"))
  end

  def read_yaml(path)
    YAML.safe_load(path.read, symbolize_names: true)
  end

  def rooms
    FOLDER.join("rooms").children.select(&:directory?).sort
  end

  def make_house
    House.create!(id: 1, name: settings[:name], public_addresses: true, checks_addresses: true, demo: true)
    @people = settings[:people].to_h { |entry| [ entry[:key], make_person(entry) ] }
    @groups = settings[:groups].to_h { |name, keys| [ name.to_s, Group.create!(name: name, people: keys.map { |key| @people.fetch(key) }) ] }
  end

  # Their keys are their ids, so that pages can cite them.
  def enter_sources
    SourceList.read(FOLDER.join("sources.bib").read).each do |work|
      attributes = work.to_h.slice(:title, :author, :publisher, :address, :date)
      Source.create!(public_id: work.key, accessed_on: work.accessed.presence, entered_by: @people.fetch("jon.vael"), **attributes)
    end
  end

  def make_person(entry)
    entry = { email: "#{entry[:key]}@ternholm.example", password: settings[:password] }.merge(entry.except(:key, :suspended))
    Person.create!(entry)
  end

  def make_room(path)
    entry = read_yaml(path.join("room.yml"))
    keeper = @people.fetch(entry[:keeper])
    room = Room.new(owner: (keeper if entry[:own]), **entry.slice(:name, :description, :colour))
    room.open_for(keeper)
    give(room, entry[:grants])
    @furniture = [ *@furniture, [ room, entry ] ]
    path.glob("*.md").reject { |file| file.basename.to_s.match?(/\.(edition-\d+|draft)\.md\z/) }.sort.each { |file| make_page(room, file) }
  end

  def make_page(room, file)
    states = [ *file.dirname.glob("#{file.basename(".md")}.edition-*.md").sort, file ].map { |path| read_page(path) }
    newest = states.last.first
    page = begin_page(room, newest, states.first.first)
    newest[:files].to_h.each { |id, name| put_file(page, id.to_s, file.dirname.join("files", name), by(newest)) }
    states.each { |matter, markdown| save(page, matter, markdown, publish: !matter[:unpublished]) }
    draft = file.sub_ext(".draft.md")
    save(page, *read_page(draft), publish: false) if draft.exist?
    open_page(page.reload, newest)
  end

  def begin_page(room, matter, first)
    above = matter[:above] ? Page.find_by!(public_id: matter[:above]) : room
    page = Page.begin(title: first[:title], above: above, by: by(first), at: at(first) - 1.day, public_id: matter[:id])
    raise ActiveRecord::RecordInvalid, page unless page.persisted?

    page
  end

  def put_file(page, public_id, path, author)
    upload = ActionDispatch::Http::UploadedFile.new(tempfile: path.open("rb"), filename: path.basename.to_s)
    PageFile.take(upload, page: page, by: author).update!(public_id: public_id)
  end

  # @return [Array(Hash, String)] front matter and Markdown
  def read_page(path)
    matter, markdown = path.read.match(/\A---\n(.*?)\n---\n(.*)\z/m).captures
    [ YAML.safe_load(matter, symbolize_names: true), markdown ]
  end

  def save(page, matter, markdown, publish:)
    read = Zuhause::Markup::MarkdownReader.read(markdown)
    raise "#{page.title}: #{read.reports.map(&:to_a)}" if read.reports.any?

    document = Zuhause::Changes.carry_ids(page.draft.document, read.doc)
    saved = page.save_draft(State.new(title: matter[:title], document: document), base_version: page.draft.version, by: by(matter), at: at(matter) - 1.hour)
    page.publish(version: saved.version, by: by(matter), note: matter[:note].to_s, small: matter[:small] || false, at: at(matter)) if publish
  end

  def open_page(page, matter)
    if matter[:own_list]
      page.make_own_list(by: by(matter))
      others = page.access_grants.reject { |grant| grant.person_id == by(matter).id }
      others.each { |grant| page.grant(grant.to_grant.holder, :none) }
    end
    give(page.reload, matter[:grants])
    page.tag_with(matter[:tags], by: by(matter), at: at(matter)) if matter[:tags]
    page.name_also(matter[:also], by: by(matter), at: at(matter)) if matter[:also]
    page.update!(icon: matter[:icon], language: matter[:language], cover: PageFile.find_by(public_id: matter[:cover]))
    page.create_template!(created_at: at(matter), **matter[:template]) if matter[:template]
  end

  # What refers to pages of any room, once all are there.
  def furnish
    House.current.update!(front_page: find(settings[:front_page]))
    @furniture.each do |room, entry|
      room.update!(front_page: find(entry[:front_page])) if entry[:front_page]
      Array(entry[:signposts]).each { |post| put_up(room, post) }
      room.archive(at: Time.current - entry[:archived_days_ago].days) if entry[:archived_days_ago]
    end
    settings[:pins].each { |key, ids| ids.each { |id| Pin.create!(person: @people.fetch(key.to_s), page: find(id)) } }
    settings[:readings].each { |key, ids| ids.each.with_index { |id, i| Reading.record(find(id), by: @people.fetch(key.to_s), at: Time.current - (ids.size - i).hours) } }
  end

  def put_up(room, post)
    Signpost.new(kind: post[:kind], title: post[:title], target: post[:target]).stand(above: post[:below] ? find(post[:below]) : room, before: post[:before] && find(post[:before]))
  end

  def find(public_id)
    Page.find_by!(public_id: public_id)
  end

  # @param grants [Hash{Symbol=>String}, nil] level by holder: a person's key, a group's name, everyone or anyone
  def give(place, grants)
    grants.to_h.each { |name, level| place.grant(holder(name.to_s), level.to_sym) }
  end

  def holder(name)
    return Zuhause::Access::Holder.new(name.to_sym, nil) if %w[everyone anyone].include?(name)

    kind, record = @groups.key?(name) ? [ :group, @groups[name] ] : [ :person, @people.fetch(name) ]
    Zuhause::Access::Holder.new(kind, record.id)
  end

  def by(matter)
    @people.fetch(matter.fetch(:author))
  end

  def at(matter)
    Time.current.beginning_of_day + 9.hours - matter.fetch(:days_ago).days
  end
end
