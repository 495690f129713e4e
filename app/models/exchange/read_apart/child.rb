# The process in which files are read: it starts in a folder of its own, is given no secret, and is ended if it does not end.
class ReadApart::Child
  SCRIPT = Rails.root.join("lib/reading/read_texts.rb").to_s
  SECONDS = 120 # of the processor
  WAITED = 90 # seconds, for a line
  NICE = 10 # whoever looks at pages comes first
  GRACE = 1 # second, from its last line to its end
  LIMITS = { rlimit_cpu: SECONDS, rlimit_as: 3.gigabytes, rlimit_fsize: 200.megabytes, rlimit_core: 0 }.freeze
  # Of what the house's own process knows, what it takes to start another.
  ENVIRONMENT = %w[PATH HOME LANG GEM_HOME GEM_PATH BUNDLE_GEMFILE BUNDLE_PATH BUNDLE_WITHOUT BUNDLE_APP_CONFIG].freeze
  # It lives for seconds: memory is cheaper to it than looking for what is not needed any more.
  MEMORY = { "RUBY_GC_HEAP_INIT_SLOTS" => "2000000", "RUBY_GC_MALLOC_LIMIT" => "134217728", "RUBY_GC_MALLOC_LIMIT_MAX" => "268435456", "RUBY_GC_OLDMALLOC_LIMIT" => "268435456" }.freeze

  # @param folder [String]
  def initialize(folder)
    @said = File.join(folder, "said")
    @out, into = IO.pipe(binmode: true)
    @pid = Process.spawn(ENV.to_h.slice(*ENVIRONMENT).merge(MEMORY), RbConfig.ruby, SCRIPT, unsetenv_others: true, pgroup: true, chdir: folder, in: File::NULL, out: into, err: @said, **LIMITS)
    Process.setpriority(Process::PRIO_PROCESS, @pid, NICE)
    @ending = Process.detach(@pid)
    into.close
  end

  # @yieldparam line [String] whole ones, for as long as they come in time
  def each_line
    rest = +"".b
    while @out.wait_readable(WAITED)
      more = @out.readpartial(1.megabyte)
      *lines, more = more.split("\n", -1)
      lines.each do |end_of_line|
        yield rest << end_of_line
        rest = +"".b
      end
      rest << more.to_s
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
    File.read(@said).lines.grep_v(/\A\s+from/).last(5).join.truncate(1000, omission: "…")
  end
end
