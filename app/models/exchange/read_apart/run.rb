# Some texts, read one after the other by a process that is begun at once, and by another should it end before it is done.
class ReadApart::Run
  MOST_ENDS = 3 # of processes before they are done; the rest is left unread then

  # @param texts [Hash{String=>Upload}]
  # @param given [Hash] what else the process is told
  def initialize(texts, given)
    @texts, @given, @ends = texts.dup, given, 0
    start
  end

  # @yieldparam key [String]
  # @yieldparam answer [Hash, String] or why there is none
  # @yieldparam folder [String] in which files lie that the answer names
  def each(&block)
    problem = "too_long"
    until @texts.empty?
      if @ends < MOST_ENDS
        start unless @child
        take(&block)
        problem = judge
      end
      next if @texts.empty?

      @ends += 1
      yield @texts.shift.first, problem, nil
    end
  end

  # Leaves nothing behind.
  def close
    @child&.end
    FileUtils.rm_rf(@folder) if @folder
    @child = @folder = nil
  end

  private

  def start
    return if @ends >= MOST_ENDS

    @folder = Dir.mktmpdir
    File.write(File.join(@folder, "given.json"), JSON.generate(@given.merge(texts: @texts.transform_values { |text| [ text.original_filename, text.path ] })))
    @child = ReadApart::Child.new(@folder)
  end

  def take
    @child.each_line do |key|
      next unless @texts.key?(key)

      answer = JSON.parse(File.read(File.join(@folder, "#{key}.json")))
      @texts.delete(key)
      yield key, answer, @folder
    end
  end

  # An end of its own accord, but no good one, is a fault in reading; any other one means that it took too much.
  #
  # @return [String] why the next text could not be read
  def judge
    status = @child.end
    Rails.logger.error("Reading what was brought in ended (#{status}): #{@child.fault}") unless status.success?
    close
    status.exited? ? "unreadable" : "too_long"
  end
end
