class MovingInBench
  # The pages that a manual became, against what its files say.
  class Compared
    def initialize(manual, arrival)
      @manual = manual
      @arrival = arrival
      parts, whole = arrival.files.where(kind: %w[text folder]).includes(page: :draft).partition(&:part_of_id)
      @by_path = whole.index_by { |file| file.path.delete_prefix("manual/") }
      @parts = parts.sort_by(&:path).group_by(&:part_of_id)
      @forwards = ArrivedForwards.new(arrival.files)
      @counts = Hash.new { |counts, name| counts[name] = [ 0, 0 ] }
      @short = Set.new # pages that say less than their files, without a word of it
      @told = (arrival.losses.counts.keys - LOSES_NOTHING).flat_map { |code| arrival.losses.of(code) }.to_set { |loss| loss.path.delete_prefix("manual/") }
      @wrong = Hash.new { |wrong, name| wrong[name] = [] }
    end

    SAYS_MORE = [ "titles", "right parent", "words brought that are the page's" ].freeze # what falls short of these loses nothing
    LOSES_NOTHING = %w[heading_level code_info].freeze # of words, links or pictures

    # @param wrong [String, nil] the names of what is to be told in single cases, by commas
    def tell(wrong: nil)
      @manual.files.each { |file| compare(file) }
      @counts.each { |name, (right, all)| printf "  %-34s %8.2f %%  (%d of %d)\n", name, all.zero? ? 100 : 100.0 * right / all, right, all }
      told = @arrival.losses.counts
      printf "  short of their file, nothing told  %8d\n", @short.size
      printf "  told as lost: %s\n", told.map { |code, count| "#{code} #{count}" }.join(", ")
      wrong.to_s.split(",").each { |name| puts "  #{name}:", @wrong[name].first(60).map { |one| "    #{one.inspect[0, 300]}" } }
    end

    private

    def count(name, right, all, *detail)
      @counts[name][0] += right
      @counts[name][1] += all
      return unless right < all

      @wrong[name] << detail
      return if SAYS_MORE.include?(name) || @told.include?(detail.first) || @forwards.on("manual/#{detail.first}") # what leads on is told as that

      @short << detail.first
      @wrong["untold"] << [ name, *detail ]
    end

    def compare(file)
      page = @by_path[file.path]&.page
      count("pages", page ? 1 : 0, 1, file.path)
      return unless page

      document = document(@by_path[file.path])
      titles(file, page)
      words(file, page, document)
      links(file, document)
      blocks(file, document)
      count("right parent", parent?(file, page) ? 1 : 0, 1, file.path, file.up, page.parent&.title)
    end

    # What was too long for one page is several.
    def document(file)
      (@documents ||= {})[file.id] ||= { "type" => "doc", "content" => [ file, *@parts[file.id] ].flat_map { |part| part.page.draft.document["content"] } }
    end

    # The key of the page that a text became, for that of each of its parts.
    def whole(key)
      @wholes ||= @by_path.each_value.with_object({}) { |file, keys| @parts[file.id]&.each { |part| keys[part.key] = file.key } }
      @wholes.fetch(key, key)
    end

    def titles(file, page)
      got, *expected = [ page.title, *file.titles ].map { |title| title.downcase.scan(/[[:alnum:]]+/).join(" ") }
      right = expected.any? { |title| title == got || title.start_with?("#{got} ") && got.length > 3 }
      count("titles", right ? 1 : 0, 1, file.path, file.titles, page.title)
    end

    def words(file, page, document)
      notices = Zuhause::Document::Walk.blocks(document).select { |block| block["type"] == "notice" }
      names = notices.flat_map { |notice| Zuhause::Markup::HTMLNotices::NAMES.fetch(notice.dig("attrs", "tone") || "note") }.flat_map { |name| [ name, name.capitalize ] }.tally
      inline = Zuhause::Document::Walk.blocks(document).map { |block| Zuhause::Document::Text.of(block) if Zuhause::Document::Schema::NODES[block["type"]].textblock? }.compact.join("\n")
      folds = Zuhause::Document::Walk.blocks(document).filter_map { |block| block.dig("attrs", "title") }
      got = [ page.title, inline, *folds ].join("\n").scan(/[[:alnum:]]+/).tally
      kept = file.words.sum { |word, times| [ times, got.fetch(word, 0) + names.fetch(word, 0) ].min } # the name of a notice is told by its tone
      count("words kept", kept, file.words.values.sum, file.path, file.words.filter_map { |word, times| [ word, times - got.fetch(word, 0) ] if times > got.fetch(word, 0) }.first(12))
      beyond = got.sum { |word, times| [ times - file.words.fetch(word, 0), 0 ].max }
      count("words brought that are the page's", got.values.sum - beyond, got.values.sum, file.path, got.filter_map { |word, times| [ word, times ] if times > file.words.fetch(word, 0) }.first(12))
    end

    def links(file, document)
      led = Zuhause::Links.in(document).filter_map { |link| [ whole(link.target.value), link.target.block ] if link.target.kind == :page }
      pages = led.map(&:first).tally
      file.links.map { |path, _said| led_to(path)&.key }.tally.each do |key, times|
        count("links to the right page", [ times, pages.fetch(key, 0) ].min, times, file.path, @by_path.find { |_path, each| each.key == key }&.first, times, pages.fetch(key, 0))
      end
      places = led.map { |key, block| [ key, block ? said(key, block) : title_of(key) ] }.group_by(&:first)
      file.links.each do |path, said|
        next unless said

        there = places[led_to(path)&.key] || []
        at = there.index { |_key, letters| letters && (letters.include?(said[0, 12]) || said.start_with?(letters[0, 12])) } # a place within a paragraph leads to that
        there.delete_at(at) if at
        count("links to the right section", at ? 1 : 0, 1, file.path, path, said)
      end
    end

    # What only leads on to another page is that.
    def led_to(path)
      to, = @forwards.on("manual/#{path}")
      @by_path[to.to_s.delete_prefix("manual/")]
    end

    # @return [String, nil] the letters of what a page is called: what leads to its title leads to the page
    def title_of(key)
      (@titles ||= @by_path.each_value.to_h { |file| [ file.key, file.page&.title.to_s.scan(/[[:alnum:]]+/).join ] })[key].presence
    end

    # @return [String, nil] the letters with which a block of a page begins
    def said(key, block)
      @texts ||= Hash.new do |known, page|
        file = (@by_key ||= @by_path.each_value.index_by(&:key))[page]
        document = document(file) if file&.page
        blocks = document ? Zuhause::Document::Walk.blocks(document).to_a : []
        known[page] = blocks.each_with_index.to_h { |each, i| [ each.dig("attrs", "id"), blocks[i, 6].map { |one| Zuhause::Document::Text.of(one) }.join(" ").scan(/[[:alnum:]]+/).join[0, 60] ] }
      end
      @texts[key][block]
    end

    def blocks(file, document)
      all = Zuhause::Document::Walk.blocks(document).to_a
      same("code blocks exact", file, file.code, all.select { |block| block["type"] == "code_block" }.map { |block| Zuhause::Document::Text.of(block) })
      same("table cells", file, file.cells.map { |text| text.delete(" ") }, all.select { |block| %w[cell header_cell].include?(block["type"]) }.map { |block| Zuhause::Document::Text.of(block).gsub(Manual::SPACE, "") })
      shown = PageFile.where(public_id: all.filter_map { |block| block.dig("attrs", "file") }).pluck(:public_id, :name).to_h
      same("pictures", file, file.pictures, all.filter_map { |block| shown[block.dig("attrs", "file")] })
    end

    def same(name, file, expected, got)
      there = got.tally
      expected.tally.each { |each, times| count(name, [ times, there.fetch(each, 0) ].min, times, file.path, each) }
    end

    def parent?(file, page)
      return page.parent&.public_id == @by_path[file.up]&.key if file.up.is_a?(String)

      file.up.nil? ? true : page.parent.nil? || @by_path.each_value.any? { |each| each.kind == "folder" && each.page_id == page.parent.id }
    end
  end
end
