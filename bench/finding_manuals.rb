# Foreign manuals in a house of their own, brought in as whatever is pasted is: what the scoring does on texts that nobody wrote for
# it. They come from packages of the system and are no part of the repository.
class FindingManuals
  FOLDER = Rails.root.join("tmp/manuals")
  QUESTIONS = Rails.root.join("bench/finding")
  PACKAGES = %w[apache2-doc sqlite3-doc developers-reference developers-reference-de].freeze
  # Where their pages lie, with the name by which questions tell them.
  PLACES = { "httpd" => "usr/share/doc/apache2-doc/manual/en", "httpd-de" => "usr/share/doc/apache2-doc/manual/de", "sqlite" => "usr/share/doc/sqlite3", "devref" => "usr/share/developers-reference" }.freeze
  LEFT_OUT = %r{releaselog/|/search\.html|genindex|changes\.html|devref/(?:fr|it|ja|ru)/|whole\.html|doclist|keyword_index|/index\.html\z}
  LARGEST = 5_000_000 # bytes
  AROUND = "nav, header, footer, script, style, svg, #page-header, #quickview, #footer, #path, .up, .top, .menu, .toolbar, .sphinxsidebar, .related, .headerlink, .permalink, .nosearch, #preamble > .toplang, .bottomlang, .toplang, #comments_section".freeze

  # @return [String] the public id of the page that was a file
  def self.public_id(name)
    number = Digest::SHA256.hexdigest(name).to_i(16)
    Array.new(Zuhause::Document::Ids::PUBLIC_LENGTH) { number, rest = number.divmod(Zuhause::Document::Ids::LETTERS.size); Zuhause::Document::Ids::LETTERS[rest] }.join
  end

  # @return [Boolean] whether the packages could be had
  def fetch
    FOLDER.mkpath
    return true if FOLDER.join("x").exist?

    Dir.chdir(FOLDER) do
      system("apt-get", "download", *PACKAGES, out: File::NULL, err: File::NULL) && Dir["*.deb"].all? { |package| system("dpkg-deb", "-x", package, "x") }
    end
  end

  # @return [Person] who asks, and has written and read nothing
  def reader
    Person.find_by(name: "Piet Harrow") || Person.create!(name: "Piet Harrow", email: "piet@manuals.example", password: "under-the-eaves")
  end

  # Brings in what is not there yet.
  def load
    House.create!(id: 1, name: "Manuals") unless House.current
    @keeper = Person.first || Person.create!(name: "Ida Karlow", email: "ida@manuals.example", password: "under-the-eaves")
    @room = Room.first || Room.new(name: "Manuals", colour: "brick").tap { |room| room.open_for(@keeper, open: true) }
    there = Page.pluck(:public_id).to_set
    Happening.quietly { files.each { |name, path| take(name, path) unless there.include?(self.class.public_id(name)) } }
  end

  private

  # @return [Hash{String=>Pathname}]
  def files
    PLACES.flat_map do |short, place|
      folder = FOLDER.join("x", place)
      folder.glob("**/*.{html,html.de,html.en}").sort.map { |path| [ "#{short}/#{path.relative_path_from(folder)}", path ] }
    end.reject { |name, path| name.match?(LEFT_OUT) || path.size > LARGEST || another_language?(name, path) }.to_h
  end

  # Where a page is not translated, the English one lies there too.
  def another_language?(name, path)
    name.start_with?("httpd-de/") && !path.read(300, encoding: "ISO-8859-1").include?('lang="de"')
  end

  def take(name, path)
    html = Nokogiri::HTML5(path.read)
    title = html.at("title")&.text.to_s.sub(/\s+(?:-|–|—)\s+(?:Apache HTTP Server|developers-reference).*\z/m, "").squish
    title = path.basename(".html").to_s if title.empty?
    html.css(AROUND).each(&:remove)
    read = Zuhause::Markup::HTMLReader.read((html.at("#page-content, div.document, body") || html).inner_html)
    page = Page.begin(title: title[0, 200], above: @room, by: @keeper, public_id: self.class.public_id(name))
    page.save_draft(State.new(title: page.title, document: read.doc), base_version: page.draft.version, by: @keeper)
    page.update!(language: name.match?(%r{httpd-de/|devref/de/}) ? "de" : "en")
    page.publish(version: page.draft.version, by: @keeper)
  end
end
