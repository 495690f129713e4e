# Reads files that were brought in together: links among them lead to the pages they become, and pictures among them are
# shown where they are named.
class ArrivedTexts
  READERS = { ".md" => :markdown, ".markdown" => :markdown, ".html" => :html, ".htm" => :html, ".xhtml" => :html, ".txt" => :plain, ".text" => :plain, ".docx" => :office, ".odt" => :office }.freeze
  # What a link in a text leads to, in Markdown and in HTML.
  LED = %r{(?<before>\]\(<|href=")(?<address>[^>"\n]{1,2000})(?=[>"])|(?<before>href=')(?<address>[^'\n]{1,2000})(?=')|(?<before>\]\()(?<address>[^)<>\s]{1,2000})(?=[)\s])}
  FRONT_MATTER = /\A---[ \t]*\n(.*?)\n---[ \t]*\n/m
  DATA = %r{\Adata:image/[a-z+.-]+;base64,}i

  SECONDS = 30 # of the processor, for all that are read at once

  # @param pictures [Array<Upload>]
  # @param keys [Hash{String=>String}] of all texts that came together, by their names
  # @param to_targets [#call] turns addresses of this house in a text into targets
  # @param into_draft [Boolean] whether they come into a page that has a title: theirs stays a heading of the text then
  def initialize(pictures, keys, to_targets: ->(text) { text }, into_draft: false)
    @pictures = pictures.to_h { |upload| [ base(upload.original_filename), upload ] }
    @keys = keys.flat_map { |name, key| [ name, ERB::Util.url_encode(name) ].map { |each| [ each, key ] } }.to_h
    @to_targets = to_targets
    @into_draft = into_draft
    @began = spent
  end

  # @param upload [Upload]
  # @return [Array(ArrivedText, Hash{String=>Upload})] the text, and the pictures it shows by the ids that stand in it
  def read(key, upload)
    @kept = {}
    [ spent - @began < SECONDS ? text(key, upload) : ArrivedText.new(key: key, name: File.basename(upload.original_filename.to_s), problem: "too_long"), @kept ]
  end

  private

  def spent
    Process.clock_gettime(Process::CLOCK_THREAD_CPUTIME_ID)
  end

  def base(name)
    File.basename(name.to_s.tr("\\", "/")).downcase
  end

  def text(key, upload)
    name = File.basename(upload.original_filename.to_s.tr("\\", "/"))
    reader = READERS[File.extname(name).downcase] or return ArrivedText.new(key: key, name: name, problem: "wrong_type")
    shown = []
    title, read = send(reader, upload.read, ->(address, words) { show(address, words, shown) })
    title, document = @into_draft ? [ nil, headed(title, read.doc) ] : entitled(title, read.doc, name)
    ArrivedText.new(key: key, name: name, title: title, document: document, reports: read.reports.map { |report| report.to_h.slice(:code, :detail) }.first(200), pictures: shown)
  rescue OfficeText::Unreadable, FileFit::Unfit
    ArrivedText.new(key: key, name: name, problem: "unreadable")
  rescue Zuhause::Document::Invalid
    ArrivedText.new(key: key, name: name, problem: "too_much")
  end

  def entitled(title, doc, name)
    title ? [ title, doc ] : Zuhause::Exchange::Entitled.split(doc, fallback: File.basename(name, ".*").tr("_", " "))
  end

  def headed(title, doc)
    title ? doc.merge("content" => [ { "type" => "heading", "content" => [ { "type" => "text", "text" => title } ] }, *doc["content"] ]) : doc
  end

  def markdown(bytes, picture)
    text = utf8(bytes)
    front = text[FRONT_MATTER, 1]
    title = Zuhause::Document::Title.clean(front[/^title:(.+)$/, 1].to_s.strip.delete_prefix('"').delete_prefix("'").delete_suffix('"').delete_suffix("'")).presence if front
    [ title&.first(Zuhause::Document::Title::LENGTH.end), Zuhause::Markup::MarkdownReader.read(linked(text.sub(FRONT_MATTER, "")), picture: picture) ]
  end

  def html(bytes, picture)
    [ nil, Zuhause::Markup::HTMLReader.read(linked(utf8(bytes)), picture: picture) ]
  end

  # Paragraphs with blank lines between them; line ends within stay.
  def plain(bytes, _picture)
    paragraphs = utf8(bytes).gsub(/\r\n?/, "\n").split(/\n[ \t]*\n\s*/).map { |lines| lines.strip.split("\n") }.reject(&:empty?)
    content = paragraphs.map { |lines| { "type" => "paragraph", "content" => lines.flat_map { |line| [ { "type" => "hard_break" }, { "type" => "text", "text" => line.presence || " " } ] }.drop(1) } }
    doc, = Zuhause::Document::Normal.form({ "type" => "doc", "content" => content.presence || Zuhause::Document.empty["content"] })
    [ nil, Zuhause::Markup::MarkdownReader::Read.new(doc: doc, reports: []) ]
  end

  def office(bytes, picture)
    OfficeText.read(bytes) do |html, media|
      [ nil, Zuhause::Markup::HTMLReader.read(html, picture: ->(address, words) { picture.call(media[base(address)] || address, words) }) ]
    end
  end

  def utf8(bytes)
    text = bytes.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF")
    text.valid_encoding? ? text : bytes.dup.force_encoding(Encoding::WINDOWS_1252).encode(Encoding::UTF_8, undef: :replace, invalid: :replace)
  end

  # Addresses of the other files, and of this house's pages, become what they mean.
  def linked(text)
    @to_targets.call(text).gsub(LED) do
      led = Regexp.last_match
      key = @keys[led[:address].delete_prefix("./").sub(/#.*\z/, "")]
      key ? "#{led[:before]}page:#{key}" : led[0]
    end
  end

  # @param address [String, Upload]
  # @return [String, nil] the id under which the picture is kept
  def show(address, words, shown)
    upload = picture_at(address, words) or return
    FileFit.of(upload)
    id = PubliclyIdentified.generate
    shown << id
    @kept[id] = upload
    id
  rescue FileFit::Unfit
    nil
  end

  def picture_at(address, words)
    return address if address.is_a?(Upload)
    return Upload.new("#{words.presence || "picture"}.#{address[%r{image/([a-z]+)}i, 1]}", address.sub(DATA, "").unpack1("m")) if address.match?(DATA)

    @pictures[base(CGI.unescape(address))]
  end
end
