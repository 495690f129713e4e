class MovingInBench
  # A manual that a package of the system holds, and what its pages say, read here by few lines of their own.
  class Manual
    File = Struct.new(:path, :titles, :words, :links, :places, :code, :cells, :pictures, :up, keyword_init: true)
    PICTURE = /\.(?:png|gif|jpe?g|svg|webp)\z/i
    UNSEEN = "h[style='display:none']".freeze # headings that no browser shows
    SPACE = /[[:space:]]+/
    APART = "p, div, li, dt, dd, td, th, tr, h1, h2, h3, h4, h5, h6, pre, ul, ol, dl, table, caption, blockquote, hr, figure, figcaption, section, img".freeze

    attr_reader :package

    def initialize(package, place, around:, up:, only: nil)
      @package, @place, @around, @up, @only = package, place, around, up, only
    end

    # @return [Boolean] whether it could be had
    def fetch(folder)
      @folder = folder.join(package, @place)
      return true if @folder.exist?

      folder.mkpath
      Dir.chdir(folder) { system("apt-get", "download", package, out: ::File::NULL, err: ::File::NULL) && Dir["#{package}_*.deb"].all? { |deb| system("dpkg-deb", "-x", deb, package) } }
      @folder.exist?
    end

    # @return [StringIO]
    def packed
      Zip::OutputStream.write_buffer { |zip| paths.each { |path| zip.put_next_entry("manual/#{path}") && zip.write(@folder.join(path).binread) } }.tap(&:rewind)
    end

    # @return [Array<File>]
    def files
      @files ||= texts.map { |path| read(path) }
    end

    def texts
      @texts ||= paths.grep(/\.html?\z/)
    end

    private

    def paths
      @paths ||= Dir.chdir(@folder) { Dir["**/*"].select { |path| ::File.file?(path) && (@only.nil? || path.match?(@only)) }.sort }
    end

    def root(path)
      (@roots ||= {})[path] ||= Nokogiri::HTML5.parse(@folder.join(path).read(encoding: "UTF-8").scrub, max_tree_depth: -1).root.tap { |whole| whole.css(UNSEEN).each(&:unlink) }
    end

    def read(path)
      whole = root(path)
      content = (whole.at_css("body") || whole).dup
      content.css("#{@around}, script, style, noscript, template").each(&:unlink)
      File.new(path: path, titles: titles(path, whole, content), words: said_in(content).scan(/[[:alnum:]]+/).tally, links: links(path, content), code: content.css("pre").map { |pre| pre.xpath(".//text() | .//br").map { |piece| piece.name == "br" ? "\n" : piece.text }.join.delete_suffix("\n") },
               cells: content.css("td, th").reject { |cell| cell.css("table").any? }.map { |cell| squished(cell.text) }.reject(&:empty?), pictures: pictures(path, content), up: up(path))
    end

    # Lines within do not run into one another.
    def said_in(content)
      content = content.dup
      content.css("svg, button").each(&:unlink) # what is drawn is a picture, and counted as one
      content.css(APART).each { |node| node.prepend_child(Nokogiri::XML::Text.new("\n", node.document)) && node.add_child(Nokogiri::XML::Text.new("\n", node.document)) }
      content.css("br").each { |node| node.replace(Nokogiri::XML::Text.new("\n", node.document)) }
      content.text
    end

    def squished(text)
      text.gsub(SPACE, " ").strip
    end

    # What a page is called: the heading that stands above all others, or what it says of itself.
    def titles(path, whole, content)
      heading = whole.at_css(".fancy_title") || content.at_css(".titlepage .title") || %w[h1 h2 h3].filter_map { |name| content.css(name).to_a.presence }.first&.then { |found| found.first if found.one? }
      [ heading, whole.at_css("title") ].compact.map { |node| squished(node.text.delete("¶")) }.reject(&:empty?).presence || [ ::File.basename(path, ".*") ]
    end

    # Links with words, to other files of it or places in its own: the file, and the first letters of what stands there. Code bears none.
    def links(path, content)
      (content.css("a[href]") - content.css("pre a[href]")).filter_map do |link|
        next if link["href"].match?(/\A(?:[a-z]+:|\/\/)/i) || link.text.strip.empty? || !link.text.match?(/[[:alnum:]]/)

        written, place = link["href"].split("#", 2)
        file = written.empty? ? path : Pathname.new(::File.dirname(path)).join(CGI.unescape(written).sub(/\?.*/, "")).cleanpath.to_s
        file = "#{file}/index.html".delete_prefix("./") if texts.include?("#{file}/index.html".delete_prefix("./"))
        [ file, place.to_s.empty? ? nil : said(file, CGI.unescape(place)) ] if texts.include?(file)
      end
    end

    # @return [String, nil] the letters that follow a place; nil for one that is not there, or belongs to what is around
    def said(path, place)
      @said ||= Hash.new do |known, (file, name)|
        element = named(file)[name]
        known[[ file, name ]] = element && element.ancestors.none? { |node| node.is_a?(Nokogiri::XML::Element) && node.matches?(@around) } && !element.matches?(@around) ? following(element) : nil
      end
      @said[[ path, place ]]
    end

    def named(file)
      (@named ||= {})[file] ||= root(file).xpath("//*[@id] | //a[@name]").each_with_object({}) { |element, found| [ element["id"], element["name"] ].compact.each { |name| found[name] ||= element } }
    end

    def following(element)
      text = +""
      node = element
      while node && text.length < 60
        text << node.text if node.text? || node == element || node.element?
        node = after(node)
      end
      letters(text)[0, 24]
    end

    def after(node)
      node = node.parent while node.respond_to?(:parent) && node.parent && node.next_sibling.nil? && node.parent.element?
      node.next_sibling
    end

    def letters(text)
      text.scan(/[[:alnum:]]+/).join
    end

    def pictures(path, content)
      content.css("img[src], object[data]").filter_map { |image| Pathname.new(::File.dirname(path)).join(image["src"] || image["data"]).cleanpath.to_s }.select { |file| file.match?(PICTURE) && paths.include?(file) }.map { |file| ::File.basename(file) }
    end

    # @return [String, nil] the path of the page that it stands below
    def up(path)
      case @up
      when :rels then root(path).at_css("link[rel=up]")&.[]("href")&.then { |href| href if texts.include?(href) }
      when :contents then path == "index.html" ? nil : "index.html"
      else
        above = ::File.basename(path) == "index.html" ? ::File.dirname(::File.dirname(path)) : ::File.dirname(path)
        return if path == "index.html"

        return "#{above}.html" if texts.include?("#{above}.html") && !texts.include?("#{above}/index.html")

        front = above == "." ? "index.html" : "#{above}/index.html"
        texts.include?(front) ? front : :folder
      end
    end
  end
end
