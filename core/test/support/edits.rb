# Changes to a document as people make them, at random: of every kind of block, and in every way.
class Edits
  WORDS = %w[salt grit ice ramp mate rope tide fog lamp keel].freeze
  CUT = /(?<=\s)|(?=\s)/

  def initialize(random, generated = Generated.new(random))
    @random, @generated = random, generated
    @fresh = 0
  end

  # @param document [Hash] in normal form, with ids
  # @param count [Integer] of changes
  # @return [Hash] likewise
  def of(document, count)
    changed = count.times.reduce(document) do |doc, _|
      act = pick(%i[reword reword reword insert remove move mark set retype split join row column])
      Zuhause::Document.accept(send(act, doc), random: @random).doc
    rescue Zuhause::Document::Invalid
      doc
    end
    Zuhause::Document.accept(changed, random: @random).doc
  end

  private

  def pick(list)
    list[@random.rand(list.size)]
  end

  def word
    "#{pick(WORDS)}#{@fresh += 1}#{pick(("a".."z").to_a)}"
  end

  # What a block is replaced by; nothing is done where there is none of that kind.
  def replace(doc, wanted)
    found = Zuhause::Document::Walk.blocks(doc).select { |node| wanted.call(node) }
    return doc if found.empty?

    chosen = pick(found).dig("attrs", "id")
    Zuhause::Document::Walk.rebuild(doc) { |node| node.dig("attrs", "id") == chosen ? yield(node) : node }
  end

  def textblock?(node)
    Zuhause::Document::Schema::NODES.fetch(node["type"]).textblock?
  end

  def reword(doc)
    replace(doc, ->(node) { textblock?(node) }) do |node|
      inline = (node["content"] || []).dup
      at = inline.each_index.select { |i| inline[i]["text"] }
      next node.merge("content" => inline + [ { "type" => "text", "text" => " #{word}" } ]) if at.empty?

      i = pick(at)
      node.merge("content" => [ *inline[0...i], inline[i].merge("text" => reworded(inline[i]["text"])), *inline[i + 1..] ].reject { |each| each["text"] == "" })
    end
  end

  def reworded(text)
    parts = text.split(CUT)
    from = @random.rand(parts.size + 1)
    parts[from, @random.rand(3)] = pick([ [ word ], [ word, " ", word ], [], [ " ", word, " " ] ])
    parts.join
  end

  def insert(doc)
    container = ->(node) { (Zuhause::Document::Schema::NODES.fetch(node["type"]).content.names & %w[block]).any? }
    added = @generated.block(1)
    return doc.merge("content" => doc["content"].dup.insert(@random.rand(doc["content"].size + 1), added)) if @random.rand(2).zero?

    replace(doc, container) { |node| node.merge("content" => (node["content"] || []).dup.insert(@random.rand((node["content"] || []).size + 1), added)) }
  end

  def remove(doc)
    replace(doc, ->(node) { !%w[cell header_cell].include?(node["type"]) }) { nil } # cells go with their row or column
  end

  def move(doc)
    moved = nil
    left = replace(doc, ->(node) { Zuhause::Document::Schema::NODES.fetch(node["type"]).group == "block" }) { |node| (moved = node) && nil }
    return doc if moved.nil? || left["content"].empty?

    return left.merge("content" => left["content"].dup.insert(@random.rand(left["content"].size + 1), moved)) if @random.rand(2).zero?

    replace(left, ->(node) { Zuhause::Document::Schema::NODES.fetch(node["type"]).content.names.include?("block") }) { |node| node.merge("content" => [ *node["content"], moved ]) }
      .then { |done| Zuhause::Document::Walk.blocks(done).any? { |node| node.dig("attrs", "id") == moved.dig("attrs", "id") } ? done : doc }
  end

  def mark(doc)
    replace(doc, ->(node) { textblock?(node) && Zuhause::Document::Schema::NODES.fetch(node["type"]).marks && node["content"] }) do |node|
      type = pick(%w[strong emphasis underline])
      node.merge("content" => node["content"].map { |inline| inline["text"] && @random.rand(2).zero? ? inline.merge("marks" => [ *inline["marks"], { "type" => type } ]) : inline })
    end
  end

  def set(doc)
    replace(doc, ->(node) { %w[heading notice ordered_list figure task fold].include?(node["type"]) }) do |node|
      attrs = { "heading" => { "level" => 1 + @random.rand(4) }, "notice" => { "tone" => pick(Zuhause::Document::Schema::TONES) }, "ordered_list" => { "start" => @random.rand(9) },
                "figure" => { "alt" => word }, "task" => { "done" => pick([ true, false ]) }, "fold" => { "title" => word } }.fetch(node["type"])
      node.merge("attrs" => node["attrs"].merge(attrs))
    end
  end

  def retype(doc)
    replace(doc, ->(node) { node["type"] == "paragraph" }) { |node| { "type" => "heading", "attrs" => node["attrs"].slice("id").merge("level" => 2), "content" => (node["content"] || []).select { |inline| inline["text"] } } }
  end

  def split(doc)
    replace(doc, ->(node) { node["type"] == "paragraph" && node["content"].to_a.size > 1 }) do |node|
      at = 1 + @random.rand(node["content"].size - 1)
      [ node.merge("content" => node["content"].first(at)), { "type" => "paragraph", "content" => node["content"].drop(at) } ]
    end
  end

  def join(doc)
    i = doc["content"].each_cons(2).find_index { |one, other| [ one, other ].all? { |node| node["type"] == "paragraph" } } or return doc
    one, other = doc["content"][i, 2]
    doc.merge("content" => [ *doc["content"][0...i], one.merge("content" => [ *one["content"], { "type" => "text", "text" => " " }, *other["content"] ]), *doc["content"][i + 2..] ])
  end

  def row(doc)
    replace(doc, ->(node) { node["type"] == "table" }) do |table|
      rows = table["content"].dup
      case @random.rand(3)
      when 0 then rows.insert(@random.rand(rows.size + 1), { "type" => "row", "content" => Array.new(rows.first["content"].size) { cell } })
      when 1 then rows.delete_at(@random.rand(rows.size))
      else rows.shuffle!(random: @random)
      end
      rows.empty? ? nil : table.merge("content" => rows)
    end
  end

  def column(doc)
    replace(doc, ->(node) { node["type"] == "table" && node["content"].map { |row| row["content"].size }.uniq.one? }) do |table|
      at = @random.rand(table["content"].first["content"].size + 1)
      added = @random.rand(2).zero?
      rows = table["content"].map { |row| row.merge("content" => added ? row["content"].dup.insert(at, cell) : row["content"].each_with_index.reject { |_cell, i| i == at }.map(&:first)) }
      rows.any? { |row| row["content"].empty? } ? nil : table.merge("content" => rows)
    end
  end

  def cell
    { "type" => "cell", "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => word } ] } ] }
  end
end
