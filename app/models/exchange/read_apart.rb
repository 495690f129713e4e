# Reads files that were brought in, in a process of its own that has little time and memory and nothing of the house: what
# breaks or stops it breaks one text.
class ReadApart
  MOST_ENDS = 3 # of processes before they are done; the rest is left unread then

  # @param texts [Hash{String=>Upload}] that lie on the disk, by the keys of the pages they may become
  # @param pictures [Array<Upload>] likewise, that they may show
  # @param keys [Hash{String=>String}] of all texts that came together, by their names
  # @param address [String, nil] of this house
  # @param into_draft [Boolean]
  def initialize(texts, pictures: [], keys: {}, address: nil, into_draft: false)
    @texts = texts
    @given = { pictures: pictures.map { |picture| lying(picture) }, keys: keys, address: address, into_draft: into_draft }
  end

  # @yieldparam text [ArrivedText]
  # @yieldparam kept [Hash{String=>Upload}] pictures that it shows, by the ids that stand in it
  def each(&block)
    left, ends, problem = @texts.dup, 0, "too_long"
    until left.empty?
      problem = read_some(left, &block) if ends < MOST_ENDS
      next if left.empty?

      ends += 1
      key, text = left.shift
      yield ArrivedText.new(key: key, name: File.basename(text.original_filename.to_s), problem: problem), {}
    end
  end

  private

  # @param left [Hash{String=>Upload}] what is read is taken from it
  # @return [String] why the next one could not be read
  def read_some(left)
    Dir.mktmpdir do |folder|
      File.write(File.join(folder, "given.json"), JSON.generate(@given.merge(texts: left.transform_values { |text| lying(text) })))
      child = Child.new(folder)
      child.each_line do |line|
        text, kept = answer(JSON.parse(line), folder)
        left.delete(text.key)
        yield text, kept
      end
      judge(child)
    ensure
      child&.end
    end
  end

  # An end of its own accord, but no good one, is a fault in reading; any other one means that it took too much.
  def judge(child)
    status = child.end
    Rails.logger.error("Reading what was brought in ended (#{status}): #{child.fault}") unless status.success?
    status.exited? ? "unreadable" : "too_long"
  end

  def answer(told, folder)
    kept = told["kept"].transform_values { |name, file| Upload.new(name, File.binread(File.join(folder, File.basename(file)))) }
    [ ArrivedText.new(**told["text"].symbolize_keys), kept ]
  end

  def lying(upload)
    [ upload.original_filename, upload.path ]
  end
end
