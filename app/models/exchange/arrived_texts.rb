# Reads files that were brought in together. What they lead to among each other is told, to be followed once all are read; pictures
# among them are shown where they are named.
class ArrivedTexts
  READERS = { ".md" => :markdown, ".markdown" => :markdown, ".html" => :html, ".htm" => :html, ".xhtml" => :html, ".txt" => :plain, ".text" => :plain, ".docx" => :office, ".odt" => :office }.freeze
  DATA = %r{\Adata:image/[a-z+.-]+;base64,}i
  MOST_REPORTS = 2000

  # @param files [Array<String>] paths of all files that came together
  # @param pictures [Hash{String=>Upload}] those that can be shown, by their paths
  # @param addresses [PageAddresses, nil] turns addresses of this house into targets
  # @param repeated [Array<Zuhause::Exchange::Repeated::Found>] what is left out of them
  # @param shared [Array<String>] titles that several of them say they have, which tell of none
  # @param into_draft [Boolean] whether they come into a page that has a title: theirs stays a heading of the text then, and what they lead
  #   to is not followed
  def initialize(files: [], pictures: {}, addresses: nil, repeated: [], shared: [], into_draft: false)
    @names = Zuhause::Exchange::Names.new(files)
    @pictures = pictures
    @by_name = pictures.keys.index_by { |path| File.basename(path).downcase }
    @addresses = addresses
    @repeated = repeated
    @shared = shared.to_set
    @into_draft = into_draft
    @fit = Hash.new { |known, path| known[path] = fit?(pictures.fetch(path)) }
  end

  # @param upload [Upload]
  # @return [Array(ArrivedText, Hash{String=>Upload})] the text, and pictures that came within it by the ids that stand in it
  def read(key, upload)
    @path, @kept, @shown, @links, @gone, @fallback, @language = upload.original_filename.to_s.tr("\\", "/"), {}, {}, [], [], nil, nil
    [ text(key, upload), @kept ]
  end

  # @param upload [Upload]
  # @return [Hash, nil] what it tells of itself and its place; nil for what tells nothing
  def survey(upload)
    path = upload.original_filename.to_s
    case READERS[File.extname(path).downcase] || File.extname(path).downcase
    when ".opf" then { manifest: Zuhause::Exchange::Manifest.read(upload.read).to_h }
    when ".ncx" then { list: Zuhause::Exchange::Manifest.list(upload.read) }
    when :html then surveyed(Zuhause::Exchange::Survey.of(Upload.text(upload.read)), path)
    when :markdown then contents_of(Upload.text(upload.read), path)
    end
  rescue Zuhause::Document::Invalid
    nil
  end

  private

  def surveyed(survey, path)
    lists = contents?(path) && survey.leading? ? survey.lists : survey.lists.select(&:contents)
    { title: survey.title, words: survey.words, parts: survey.parts.map(&:to_a), rels: survey.rels, on: survey.leads_on, lists: lists.map(&:items), within: lists.map(&:within) }
  end

  # @return [Boolean] whether it stands for a folder, or is called as what tells what is in one
  def contents?(path)
    Zuhause::Exchange::FolderTree.front(path) || File.basename(path, ".*").match?(/\A(?:contents|toc|summary|nav|sidebar)\z/i)
  end

  # A list of contents in a text that is called so, or stands for a folder.
  def contents_of(markdown, path)
    return unless contents?(path)

    survey = Zuhause::Exchange::Survey.of(CommonMarker.render_html(Zuhause::Exchange::FrontMatter.new(markdown).text))
    { words: 0, parts: [], rels: {}, lists: survey.lists.map(&:items) }
  end

  def text(key, upload)
    reader = READERS[File.extname(@path).downcase] or return ArrivedText.new(key: key, path: @path, problem: "wrong_type")
    one(key, *send(reader, upload.read))
  rescue OfficeText::Unreadable, FileFit::Unfit
    ArrivedText.new(key: key, path: @path, problem: "unreadable")
  rescue Zuhause::Document::Invalid
    @into_draft ? ArrivedText.new(key: key, path: @path, problem: "too_much") : several(key, reader, upload.read)
  end

  # What is too long for one page is several.
  def several(key, reader, bytes)
    @kept, @shown, @links = {}, {}, []
    whole = Zuhause::Document::Limits.widened(Zuhause::Exchange::Split::FACTOR) { one(key, *send(reader, bytes), whole: false) }
    first, *rest = Zuhause::Exchange::Split.of(whole.document) || (return ArrivedText.new(key: key, path: @path, problem: "too_much"))
    parts = rest.map { |piece| part(whole, piece, key: PubliclyIdentified.generate, title: [ piece.title || whole.title, *("(#{piece.number})" if piece.number) ].join(" "), reports: []) }
    part(whole, first, parts: parts.each_with_index.map { |one, i| one.to_h.merge(path: "#{@path}/#{i + 1}") })
  rescue Zuhause::Document::Invalid
    ArrivedText.new(key: key, path: @path, problem: "too_much")
  end

  def part(whole, piece, **own)
    document, = Zuhause::Document::Normal.form({ "type" => "doc", "content" => piece.content.presence || Zuhause::Document.empty["content"] })
    ids = Zuhause::Document::Walk.blocks(document).flat_map { |block| block.fetch("attrs", {}).values_at("id", "file") }.to_set
    ArrivedText.new(**whole.to_h, document: document, anchors: whole.anchors.select { |_name, id| id.nil? || ids.include?(id) }, pictures: whole.pictures.select { |id, _path| ids.include?(id) }, **own)
  end

  def one(key, title, read, whole: true)
    title, document = @into_draft ? [ nil, headed(title, read.doc) ] : entitled(title, read.doc)
    document, anchors = with_places(title, document, read.anchors || {})
    Zuhause::Document.accept(document) if whole # with all ids in it, it may be too much
    ArrivedText.new(key: key, path: @path, title: title, document: document, reports: reports(read), pictures: @shown, anchors: anchors, links: @links, language: @language)
  end

  def reports(read)
    read.reports.map { |report| report.to_h.slice(:code, :detail) }.tap { |reports| reports[MOST_REPORTS..] = [ { code: "further", detail: (reports.size - MOST_REPORTS).to_s } ] if reports.size > MOST_REPORTS }
  end

  def entitled(title, doc)
    title ? [ title, doc ] : Zuhause::Exchange::Entitled.split(doc, fallback: @fallback || called(@path), told: !@fallback.nil? && !@shared.include?(@fallback))
  end

  # As its file is called; what stands for a folder, as that.
  def called(path)
    name = File.basename(path, ".*")
    name = File.basename(File.dirname(path)) if path.include?("/") && Zuhause::Exchange::FolderTree.front(path)
    name.tr("_", " ")
  end

  def headed(title, doc)
    title ? doc.merge("content" => [ { "type" => "heading", "content" => [ { "type" => "text", "text" => title } ] }, *doc["content"] ]) : doc
  end

  # Headings are led to by their words as well, where nothing else has that name. What led to the title leads to the page.
  def with_places(title, document, anchors)
    return [ document, {} ] if @into_draft

    document, = Zuhause::Document::Ids.mend(document)
    there = Zuhause::Document::Walk.blocks(document).to_set { |block| block.dig("attrs", "id") }
    names = { Zuhause::Exchange::HeadingNames.of_words(title) => nil }.merge(@gone.to_h { |name| [ name, nil ] }, Zuhause::Exchange::HeadingNames.of(document), anchors)
    [ document, names.transform_values { |id| id if there.include?(id) } ]
  end

  def markdown(bytes)
    front = Zuhause::Exchange::FrontMatter.new(Upload.text(bytes))
    @language = front.language
    read = with_stated_names(read_markdown(Zuhause::Exchange::MarkdownNotices.plain(front.text)))
    read.reports.concat(front.rest.map { |said| Zuhause::Markup::MarkdownReader::Report.new(code: :front, detail: said.first(200)) })
    [ Zuhause::Document::Title.clean(front.title.to_s).presence&.first(Zuhause::Document::Title::LENGTH.end), read ]
  end

  def read_markdown(text)
    how = { picture: method(:show), lead: method(:lead) }
    Zuhause::Markup::HTMLInMarkdown.read(text, **how) || Zuhause::Markup::MarkdownReader.read(text, **how)
  end

  def with_stated_names(read)
    document, names = Zuhause::Exchange::HeadingNames.stated(Zuhause::Document::Ids.mend(read.doc).first)
    read.doc, read.anchors = document, names.merge(read.anchors || {})
    read
  end

  def html(bytes)
    left = []
    read = Zuhause::Markup::HTMLReader.read(Upload.text(bytes), picture: method(:show), lead: method(:lead)) do |root|
      survey = Zuhause::Exchange::Survey.new(root)
      @language = survey.language
      @gone = names_in(root)
      out = survey.elements(@repeated.select { |part| part.of?(@path) }).each(&:unlink)
      @fallback = own_title(root, out, survey.title)
      left = what_the_plan_does(root) unless @into_draft
      @gone -= names_in(root)
    end
    [ nil, read.tap { read.reports.concat(left) } ]
  end

  # Lists of its own headings, and links to the pages beside it.
  def what_the_plan_does(root)
    { own_contents: Zuhause::Exchange::OwnContents, neighbour: Zuhause::Exchange::Neighbours }.flat_map do |code, way|
      way.take_out(root).map { |words| Zuhause::Markup::MarkdownReader::Report.new(code: code, detail: words.first(200)) }
    end
  end

  # Where a page says it is called what others are, it is called as its next heading; what stands for them all keeps it.
  def own_title(root, out, title)
    of_all = title && !Zuhause::Exchange::FolderTree.front(@path) && out.any? { |element| element.name == "h1" && element.text.split == title.split }
    of_all && root.at_css("h1, h2, h3")&.text.to_s.split.join(" ").presence || title
  end

  def names_in(root)
    root.xpath("//@id | //a/@name").map(&:value)
  end

  # Paragraphs with blank lines between them; line ends within stay.
  def plain(bytes)
    paragraphs = Upload.text(bytes).gsub(/\r\n?/, "\n").split(/\n[ \t]*\n\s*/).map { |lines| lines.strip.split("\n") }.reject(&:empty?)
    content = paragraphs.map { |lines| { "type" => "paragraph", "content" => lines.flat_map { |line| [ { "type" => "hard_break" }, { "type" => "text", "text" => line.presence || " " } ] }.drop(1) } }
    doc, = Zuhause::Document::Normal.form({ "type" => "doc", "content" => content.presence || Zuhause::Document.empty["content"] })
    [ nil, Zuhause::Markup::MarkdownReader::Read.new(doc: doc, reports: []) ]
  end

  def office(bytes)
    OfficeText.read(bytes) do |html, media, lost|
      read = Zuhause::Markup::HTMLReader.read(html, picture: ->(address, words) { show(media[File.basename(address).downcase] || address, words) }, lead: method(:lead))
      [ nil, read.tap { read.reports.concat(lost) } ]
    end
  end

  # @param address [String] as it stands in a text
  # @return [String, nil] what stands for it in the document
  def lead(address)
    own = @addresses&.to_target(address)
    return own if own && own != address
    return (address unless address.start_with?("#")) if @into_draft

    followed = @names.follow(@path, address) or return address
    @links << [ *followed, address.first(500) ]
    ArrivedLinks.standing_for(@links.size - 1)
  end

  # @param address [String, Upload]
  # @return [String, nil] the id under which the picture is kept
  def show(address, words)
    within = within(address, words)
    path = picture_at(address) unless within
    return unless within ? fit?(within) : path && @fit[path]

    PubliclyIdentified.generate.tap do |id|
      @shown[id] = path
      @kept[id] = within if within
    end
  end

  def fit?(upload)
    FileFit.of(upload) && true
  rescue FileFit::Unfit
    false
  end

  def within(address, words)
    return address if address.is_a?(Upload)

    Upload.new("#{words.presence || "picture"}.#{address[%r{image/([a-z]+)}i, 1]}", address.sub(DATA, "").unpack1("m")) if address.match?(DATA)
  end

  # Where it says that it lies, or wherever one of that name does.
  def picture_at(address)
    path, = @names.follow(@path, address)
    @pictures.key?(path) ? path : @by_name[File.basename(CGI.unescape(address)).downcase]
  end
end
