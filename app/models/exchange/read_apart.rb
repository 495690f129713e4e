# Reads files that were brought in, in a process of its own that has little time and memory and nothing of the house: what
# breaks or stops it breaks one text.
class ReadApart
  AT_ONCE = 2 # processes
  LEAST = 10 # texts for each

  # @param texts [Hash{String=>Upload}] that lie on the disk, by the keys of the pages they may become
  # @param files [Array<String>] paths of all files that came together
  # @param pictures [Array<Array(String, String)>] paths of those that can be shown, and where they lie
  # @param address [String, nil] of this house
  # @param repeated [Array<Hash>] what is left out of them, see Zuhause::Exchange::Repeated::Found
  # @param shared [Array<String>] titles that several of them say they have
  # @param into_draft [Boolean]
  def initialize(texts, files: [], pictures: [], address: nil, repeated: [], shared: [], into_draft: false)
    @texts = texts
    @given = { files: files, pictures: pictures, address: address, repeated: repeated.map { |part| part.slice("key", "shape", "folder") }, shared: shared, into_draft: into_draft }
  end

  # @yieldparam text [ArrivedText]
  # @yieldparam kept [Hash{String=>Upload}] pictures that came within it, by the ids that stand in it
  def each
    answers(:read) do |key, answer, folder|
      next yield(ArrivedText.new(key: key, path: @texts.fetch(key).original_filename.to_s, problem: answer), {}) if answer.is_a?(String)

      kept = answer["kept"].transform_values { |name, file| Upload.new(name, File.binread(File.join(folder, File.basename(file)))) }
      yield ArrivedText.new(**answer["text"].symbolize_keys), kept
    end
  end

  # @yieldparam key [String]
  # @yieldparam survey [Hash, nil] what it tells of itself
  def each_survey
    answers(:survey) { |key, answer, _folder| yield key, (answer["survey"] unless answer.is_a?(String)) }
  end

  private

  # Yields each text's key and what was answered for it: a Hash, or a String that says why there is none. Where there are many, as many
  # processes are at it as processors usually are.
  def answers(step, &block)
    runs = @texts.each_slice([ (@texts.size / AT_ONCE.to_f).ceil, LEAST ].max).map { |texts| Run.new(texts.to_h, @given.merge(step: step)) }
    runs.each { |run| run.each(&block) }
  ensure
    runs&.each(&:close)
  end
end
