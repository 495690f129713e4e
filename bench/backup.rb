# A drill: a house is backed up while processes write into it, put back, and compared with what was said to be saved, row by
# row and file by file. Beside it what copying the database's file alone would have lost. Run by bin/bench backup.
class BackupBench
  PAGES, WRITERS, FILES = Integer(ENV.fetch("PAGES", "2000")), 3, 120
  FOLDER = Rails.root.join("tmp/bench-backup")

  def run
    FileUtils.rm_rf(FOLDER)
    LargeHouse.new(pages: PAGES, people: 60).build
    @keeper = Person.first
    @pages = Page.kept.order(:id).last(WRITERS * 10)
    FILES.times { |i| add_file(@pages.first, i) }
    printf "%d pages, %d files, a database of %.1f MB\n", Page.count, FILES, HouseBackup.database.size / 1e6

    raw_copy
    made, while_made = nil
    writes = writing { made, while_made = timed("backing up, while #{WRITERS} processes write") { HouseBackup::Shelf.new(FOLDER.join("shelf")).add.first } }
    printf "%d saves and files meanwhile, the longest took %.0f ms\n", writes.size, writes.map(&:took).max * 1000
    key = FOLDER.join("key").tap { |file| file.write("under-the-eaves") }
    timed("the same, sealed, nobody writing") { HouseBackup::Shelf.new(FOLDER.join("sealed"), key: key).add }
    timed("putting it back and verifying it") { HouseBackup::Restoring.new(made, FOLDER.join("house")).run }
    compare(writes, while_made)
  end

  private

  Write = Struct.new(:page, :version, :file, :began, :ended) do
    def took
      ended - began
    end
  end

  def timed(name)
    began = now
    given = yield
    printf "%-52s %9.1f s\n", name, now - began
    [ given, began..now ]
  end

  def now
    Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end

  # Processes write from before the block until after it.
  #
  # @return [Array<Write>] what was said to be kept
  def writing
    ActiveRecord::Base.connection_handler.clear_all_connections!(:all)
    SQLite3::ForkSafety.suppress_warnings! # the processes open their own
    stop = FOLDER.join("stop")
    pipes = Array.new(WRITERS) { |number| written_apart(number, stop) }
    sleep 0.1 until pipes.all? { |_pid, log| log.exist? && log.size > 500 }
    yield
    sleep 1
    stop.write("")
    pipes.flat_map { |pid, log| Process.wait(pid) && log.binread.then { |bytes| lines(bytes) } }
  end

  def lines(bytes)
    bytes.split("\n").map { |line| Write.new(*JSON.parse(line)) }
  end

  def written_apart(number, stop)
    log = FOLDER.join("writes-#{number}").tap { |file| file.dirname.mkpath }
    pid = fork do
      mine = @pages[number * 10, 10].map { |page| Page.find(page.id) }
      log.open("wb") do |out|
        (0..).each do |i|
          break if stop.exist?

          out.puts(JSON.generate(write(mine[i % 10], number, i).to_a)) && out.flush
        end
      end
      exit!(0)
    end
    [ pid, log ]
  end

  def write(page, number, index)
    began = now
    return Write.new(page.id, nil, add_file(page, "#{number}-#{index}"), began, now) if (index % 10).zero?

    document = page.draft.document
    words = { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Writer #{number}, #{index}." } ] }
    page.save_draft(State.new(title: page.draft.title, document: document.merge("content" => document["content"] + [ words ])), base_version: page.draft.version, by: @keeper)
    Write.new(page.id, page.reload.draft.version, nil, began, now)
  end

  def add_file(page, number)
    bytes = "number,bytes\n#{number},#{SecureRandom.hex(20_000)}\n"
    PageFile.prepare(Upload.new("Measured #{number}.csv", bytes), by: @keeper).keep_on(page).public_id
  end

  # Saves whose words stand in the log beside the file are not in a copy of the file.
  def raw_copy
    saved = Array.new(60) { |i| write(@pages[i % 10], 0, i + 1) }.reject(&:file)
    copy = FOLDER.join("copied.sqlite3").tap { |file| file.dirname.mkpath }
    FileUtils.cp(HouseBackup.database, copy)
    lost = SQLite3::Database.new(copy.to_s).then { |database| saved.count { |write| database.execute("SELECT 1 FROM drafts WHERE page_id = ? AND version = ?", [ write.page, write.version ]).empty? } }
    puts "a copy of the database's file alone: #{lost} of #{saved.size} saves are not in it"
  rescue SQLite3::Exception => e
    puts "a copy of the database's file alone: it cannot be opened (#{e.message})"
  end

  def compare(writes, while_made)
    house = SQLite3::Database.new(FOLDER.join("house/demo.sqlite3").to_s)
    before = writes.select { |write| write.ended < while_made.begin }
    missing = before.reject { |write| there?(house, write) }
    rows, other = compared_rows(house)
    files, wrong = compared_files(house)
    printf "%d writes were acknowledged before it began: %d are missing; %d came while or after it was made\n", before.size, missing.size, writes.size - before.size
    printf "%d rows put back: %d are not as they stand in the house; %d files: %d are not what the house has\n", rows, other, files, wrong
    abort "the drill failed" if missing.any? || other.positive? || wrong.positive?
  end

  def there?(house, write)
    return house.execute("SELECT 1 FROM page_files WHERE public_id = ?", write.file).any? if write.file

    house.get_first_value("SELECT max(version) FROM drafts WHERE page_id = ?", write.page) >= write.version
  end

  # Left out is what each save changes, and thins; rows that it makes anew are the same but for their number.
  def compared_rows(house)
    house.execute("ATTACH DATABASE ? AS live", HouseBackup.database.to_s)
    tables = house.execute(HouseBackup::Content::TABLES).flatten.grep_v(/index|title_words|\A(versions|drafts|pages|sign_ins|readings)\z/)
    tables.reduce([ 0, 0 ]) do |(rows, other), table|
      columns = house.execute("SELECT name FROM pragma_table_info(?) WHERE name <> 'id'", table).flatten.map { |name| %("#{name}") }.join(", ")
      ours, theirs = %w[main live].map { |schema| "SELECT #{columns} FROM #{schema}.\"#{table}\"" }
      [ rows + house.execute(ours).size, other + house.execute("#{ours} EXCEPT #{theirs}").size ]
    end
  end

  def compared_files(house)
    keys = house.execute("SELECT key FROM active_storage_blobs").flatten
    [ keys.size, keys.count { |key| !FileUtils.identical?(FOLDER.join("house/files", key[0, 2], key[2, 2], key), ActiveStorage::Blob.service.path_for(key)) } ]
  end
end
