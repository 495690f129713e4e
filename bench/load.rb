# Many at once, against a server as it is started by default: one reader alone, then 50 readers (a page every 5 s each) with 10
# writers (a save every 2 s each), then as many pages as can be had. Tells 95th percentiles, pages a second and core, errors,
# and saves that were acknowledged and are not there. Run by bin/bench load.
require "net/http"
require_relative "../test/support/session_cookie"

class LoadBench
  READERS = 50
  WRITERS = 10
  SECONDS = Integer(ENV.fetch("SECONDS", "120"))
  PORT = 3997

  # Somebody with a browser of their own.
  class Visitor
    attr_reader :times, :errors

    def initialize(person)
      @cookies = { SessionCookie::NAME => SessionCookie.of(person) }
      @times, @errors = [], 0
    end

    def get(path)
      ask(Net::HTTP::Get.new(path, "Accept" => "text/html"))
    end

    def patch(path, body, token)
      ask(Net::HTTP::Patch.new(path, "Accept" => "application/json", "Content-Type" => "application/json", "X-CSRF-Token" => token).tap { |request| request.body = JSON.generate(body) })
    end

    private

    def ask(request)
      request["Cookie"] = @cookies.map { |name, value| "#{name}=#{value}" }.join("; ")
      before = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      answer = connection.request(request)
      @times << ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - before) * 1000)
      failed("#{request.method} #{request.path}: #{answer.code}") unless answer.is_a?(Net::HTTPSuccess)
      answer.get_fields("Set-Cookie").to_a.each { |cookie| cookie.split(";").first.split("=", 2).then { |name, value| @cookies[name] = value } }
      answer
    rescue IOError, SystemCallError, Timeout::Error => e
      failed("#{request.path}: #{e.class}")
      @connection = nil
    end

    def failed(what)
      @errors += 1
      warn what if ENV["TELL"]
    end

    def connection
      @connection ||= Net::HTTP.start("127.0.0.1", PORT, keep_alive_timeout: 60)
    end
  end

  def run
    open_rooms = Room.where(access_list_id: AccessListEntry.where(holder: "everyone").select(:access_list_id))
    pages = Page.kept.joins(:room).merge(open_rooms).where("pages.access_list_id = rooms.access_list_id").where.not(edition_id: nil)
    @pages = pages.order(:id).limit(400).map { |page| "/p/#{page.to_param}" }
    people = Person.order(:id).to_a
    writing = people[100, WRITERS].each { |person| Room.order(:id).second.grant(Zuhause::Access::Holder.new(:person, person.id), :write) }
    @readers, @writers = [ people[20, READERS], writing ].map { |some| some.map { |person| Visitor.new(person) } }
    serving do
      alone = tell("one reader alone", [ @readers.first ]) { 60.times { read(@readers.first) } }
      together = tell("#{READERS} readers and #{WRITERS} writers, #{SECONDS} s", @readers) { together! }
      printf "95th percentile to that of one alone: %.1f×; saves 95th percentile %.0f ms, %d saves, %d errors, %d lost\n", together / alone, percentile(@saved.flatten), @saved.sum(&:size), [ *@readers, *@writers ].sum(&:errors), lost
      tell("as many pages as can be had, 20 s", @readers.first(8)) { at_once(@readers.first(8)) { |reader| read(reader) until over?(20) } }
      tell_memory
    end
  end

  private

  # Of the processes that serve, as they are after all that was asked of them.
  def tell_memory
    served = [ *@readers, *@writers ].sum { |visitor| visitor.times.size }
    File.read("/proc/#{@server}/task/#{@server}/children").split.each do |process|
      resident, own, files = Measuring.memory(process)
      printf "memory of a process that serves, one of %d, after %d requests in all: %d MB resident: %d MB of its own, %d MB of files that all share\n", Etc.nprocessors, served, resident, own, files
    end
  end

  def serving
    environment = { "PORT" => PORT.to_s, "DATABASE_FILE" => ENV["DATABASE_FILE"], "RAILS_ENV" => "demo", "RAILS_LOG_LEVEL" => "fatal" }
    @server = spawn(environment, "bin/serve", "--binding", "127.0.0.1", "--pid", "tmp/bench-load.pid", out: File::NULL, err: File::NULL)
    sleep 0.5 until up?
    20.times { |i| read(@readers[i % 8]) } # what is made at first
    yield
  ensure
    Process.kill("TERM", @server) && Process.wait(@server)
  end

  def up?
    Net::HTTP.get_response("127.0.0.1", "/sign-in", PORT).is_a?(Net::HTTPSuccess)
  rescue SystemCallError
    false
  end

  def read(reader)
    reader.get(@pages.sample)
  end

  # @return [Float] the 95th percentile in milliseconds
  def tell(name, visitors)
    visitors.each { |visitor| visitor.times.clear }
    @begun, used = now, processor_seconds
    yield
    took, used = now - @begun, processor_seconds - used
    times = visitors.flat_map(&:times)
    printf "%-52s %6d pages, %5.1f a second, %5.1f a second of one core; median %.0f ms, 95th percentile %.0f ms\n", name, times.size, times.size / took, times.size / used, percentile(times, 50), percentile(times)
    percentile(times)
  end

  def together!
    @saved = @writers.map { [] }
    readers = @readers.map { |reader| Thread.new { every(5) { read(reader) } } }
    writers = @writers.each_with_index.map { |writer, i| Thread.new { write(writer, i) } }
    [ *readers, *writers ].each(&:join)
  end

  # A draft of a page of one's own, each time with other words.
  def write(writer, number)
    page = Page.kept.where(room: Room.order(:id).second).order(:id).offset(number).first
    token = writer.get("/p/#{page.to_param}/draft/edit").body[/name="csrf-token" content="([^"]+)"/, 1]
    version, document = page.draft.version, page.draft.document
    writer.times.clear
    every(2) do
      words = "save #{SecureRandom.hex(4)} #{number}"
      changed = document.merge("content" => document["content"] + [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => words } ] } ])
      answer = writer.patch("/p/#{page.public_id}/draft", { base_version: version, save_id: SecureRandom.hex(8), title: page.draft.title, document: changed }, token)
      next unless answer.is_a?(Net::HTTPSuccess)

      version = JSON.parse(answer.body)["version"]
      @saved[number] << writer.times.last
      (@last ||= {})[page.id] = [ version, words ]
    end
  end

  # @return [Integer] pages whose draft is not what was said to be saved last
  def lost
    @last.count { |id, (version, words)| Page.find(id).draft.then { |draft| draft.version != version || Zuhause::Document::Text.of(draft.document).exclude?(words) } }
  end

  def every(seconds)
    sleep(rand * seconds)
    until over?(SECONDS)
      before = now
      yield
      sleep([ seconds - (now - before), 0 ].max)
    end
  end

  def at_once(visitors, &block)
    visitors.map { |visitor| Thread.new { block.call(visitor) } }.each(&:join)
  end

  def over?(seconds)
    now - @begun > seconds
  end

  def percentile(times, part = 95)
    times.empty? ? 0.0 : times.sort[((times.size - 1) * part / 100.0).round]
  end

  # Of the server and the processes it has started.
  def processor_seconds
    pids = [ @server, *IO.popen([ "pgrep", "-P", @server.to_s ], &:read).split.map(&:to_i) ]
    pids.sum { |pid| File.read("/proc/#{pid}/stat").rpartition(")").last.split.values_at(11, 12).sum(&:to_i) } / 100.0
  end

  def now
    Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
