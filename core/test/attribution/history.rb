# A text that several people write, at random, of which it is known who wrote each word: what attribution is held against.
class History
  AUTHORS = %i[ana ben cay].freeze

  Word = Struct.new(:text, :author)

  attr_reader :told

  # @param words [Integer, nil] how many different ones there are; nil where each is another
  def initialize(random, words: nil)
    @random, @words = random, words
    @number = @block = 0
    @blocks = Array.new(4) { [ fresh_id, Array.new(8 + random.rand(20)) { word(AUTHORS.first) } ] }
  end

  def authors
    AUTHORS
  end

  # One person changes something, in up to three blocks.
  def step
    author = AUTHORS[@random.rand(AUTHORS.size)]
    @told = [ author, *act(author) ]
    author
  end

  def document
    { "type" => "doc", "content" => @blocks.map { |id, words| { "type" => "paragraph", "attrs" => { "id" => id }, "content" => [ { "type" => "text", "text" => words.map(&:text).join(" ") } ] } } }
  end

  # @return [Hash{String=>Array<Array(Integer, Symbol)>}]
  def runs
    @blocks.to_h { |id, words| [ id, words.map(&:author).chunk_while { |one, other| one == other }.map { |same| [ same.size, same.first ] } ] }
  end

  private

  def act(author)
    case @random.rand(7)
    when 0, 1 then insert(author)
    when 2 then remove
    when 3 then move
    when 4 then part
    when 5 then join
    else move_words
    end
  end

  def any
    @random.rand(@blocks.size)
  end

  def insert(author)
    at = any
    place, count = @random.rand(@blocks[at][1].size + 1), 1 + @random.rand(6)
    @blocks[at][1].insert(place, *Array.new(count) { word(author) })
    @blocks.insert(@random.rand(@blocks.size + 1), [ fresh_id, Array.new(count + 3) { word(author) } ]) if @random.rand(3).zero?
    [ :insert, at, place, count ]
  end

  def remove
    at = any
    words = @blocks[at][1]
    place = @random.rand(words.size)
    count = [ 1 + @random.rand(5), words.size - place ].min
    return [ :nothing ] if count == words.size

    words.slice!(place, count)
    [ :remove, at, place, count ]
  end

  def move
    block = @blocks.delete_at(any)
    @blocks.insert(@random.rand(@blocks.size + 1), block)
    [ :move, block[0] ]
  end

  def part
    at = any
    id, words = @blocks[at]
    return [ :nothing ] if words.size < 8

    place = 3 + @random.rand(words.size - 6)
    @blocks[at] = [ id, words[0...place] ]
    @blocks.insert(at + 1, [ fresh_id, words[place..] ])
    [ :part, id, place ]
  end

  def join
    at = any
    return [ :nothing ] unless @blocks[at + 1]

    @blocks[at] = [ @blocks[at][0], @blocks[at][1] + @blocks.delete_at(at + 1)[1] ]
    [ :join, @blocks[at][0] ]
  end

  # A stretch of words to another block.
  def move_words
    from, to = any, any
    words = @blocks[from][1]
    return [ :nothing ] if words.size < 10 || from == to

    place = @random.rand(words.size - 6)
    moved = words.slice!(place, 3 + @random.rand(4))
    @blocks[to][1].insert(@random.rand(@blocks[to][1].size + 1), *moved)
    [ :move_words, from, to, moved.size ]
  end

  def word(author)
    Word.new(@words ? "w#{@random.rand(@words)}" : "w#{@number += 1}", author)
  end

  def fresh_id
    format("b%07d", @block += 1)
  end
end
