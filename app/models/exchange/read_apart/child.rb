# The process in which files are read: it starts in a folder of its own, is given no secret, and is ended if it does not end.
class ReadApart::Child
  SCRIPT = Rails.root.join("lib/reading/read_texts.rb").to_s
  SECONDS = 60 # of the processor
  WAITED = 90 # seconds, for a line
  GRACE = 1 # second, from its last line to its end
  LIMITS = { rlimit_cpu: SECONDS, rlimit_as: 3.gigabytes, rlimit_fsize: 200.megabytes, rlimit_core: 0 }.freeze
  # Of what the house's own process knows, what it takes to start another.
  ENVIRONMENT = %w[PATH HOME LANG GEM_HOME GEM_PATH BUNDLE_GEMFILE BUNDLE_PATH BUNDLE_WITHOUT BUNDLE_APP_CONFIG].freeze

  # @param folder [String]
  def initialize(folder)
    @said = File.join(folder, "said")
    @out, into = IO.pipe(binmode: true)
    @pid = Process.spawn(ENV.to_h.slice(*ENVIRONMENT), RbConfig.ruby, SCRIPT, unsetenv_others: true, pgroup: true, chdir: folder, in: File::NULL, out: into, err: @said, **LIMITS)
    @ending = Process.detach(@pid)
    into.close
  end

  # @yieldparam line [String] whole ones, for as long as they come in time
  def each_line
    rest = +""
    while @out.wait_readable(WAITED)
      rest << @out.readpartial(1.megabyte)
      while (line = rest.slice!(/.*?\n/m))
        yield line
      end
    end
  rescue EOFError
    nil
  end

  # Ends it, if need be, with whatever it has started itself.
  #
  # @return [Process::Status]
  def end
    @out.close unless @out.closed?
    Process.kill("KILL", -@pid) unless @ending.join(GRACE)
    @ending.value
  rescue Errno::ESRCH
    @ending.value
  end

  # @return [String] the last of what it said of faults
  def fault
    File.read(@said).lines.grep_v(/\A\s+from/).last(5).join.truncate(1000)
  end
end
