module HouseBackup
  # The parts of one backup, in a folder: +house.sqlite3+, +files+ by their keys, +secret+, and +manifest.json+, which tells
  # the rows of each table and the size and sum of each file.
  class Content
    DATABASE, FILES, SECRET, MANIFEST = "house.sqlite3", "files", "secret", "manifest.json"
    BLOBS = "SELECT key, checksum FROM active_storage_blobs ORDER BY key".freeze
    TABLES = "SELECT name FROM pragma_table_list WHERE schema = 'main' AND type IN ('table', 'shadow') AND name NOT LIKE 'sqlite_%' ORDER BY name".freeze
    TRIES = 3

    attr_reader :folder

    def initialize(folder)
      @folder = Pathname(folder)
    end

    # Copies what the house has. Bytes of a file are complete before a row tells of them, so that all files of the copied
    # database are there, unless they have been erased meanwhile: then it is copied once more. What was lost before is told
    # and keeps nothing else from being copied.
    #
    # @param before [Content, nil] an earlier backup, whose files need no place of their own where they are the same
    # @param at [Time]
    # @return [Array<String>] keys of files that the house itself has no longer, or not as they were
    def copy(before: nil, at: Time.current)
      lost = nil
      TRIES.times do
        copy_database
        lost = copy_files(before)
        break if lost.empty?
      end
      folder.join(SECRET).write(Rails.application.secret_key_base)
      folder.join(MANIFEST).write(JSON.pretty_generate(manifest(at, lost)))
      lost
    end

    # Looks at all of it: the database's own integrity, its rows, and every byte of every file.
    #
    # @raise [Broken]
    def verify
      told = JSON.parse(folder.join(MANIFEST).read)
      raise Broken, "it is of a form that is not known here" unless told["form"] == FORM

      open_database do |database|
        integrity = database.execute("PRAGMA integrity_check").flatten
        raise Broken, "the database is damaged: #{integrity.first}" unless integrity == [ "ok" ]
        raise Broken, "rows of the database point to nothing" if database.execute("PRAGMA foreign_key_check").any?
        raise Broken, "the database has not the rows it had" unless rows(database) == told["rows"]
        wrong = database.execute(BLOBS).reject { |key, checksum| whole?(file(key), checksum) }.map(&:first) - told["lost"]
        raise Broken, "files are missing or not what they were: #{wrong.first(20).join(", ")}" if wrong.any?
      end
      raise Broken, "what it holds is not what it was made of" unless sums == told["sums"]
    rescue SQLite3::Exception, JSON::ParserError, SystemCallError => e
      raise Broken, e.message
    end

    # @return [Hash] what the manifest tells
    def told
      JSON.parse(folder.join(MANIFEST).read)
    end

    # @yieldparam database [SQLite3::Database]
    def open_database
      database = SQLite3::Database.new(folder.join(DATABASE).to_s)
      yield database
    ensure
      database&.close
    end

    # @return [Pathname] where a file's bytes are
    def file(key)
      folder.join(FILES, key[0, 2], key[2, 2], key)
    end

    private

    def copy_database
      FileUtils.rm_f(folder.join(DATABASE))
      source = SQLite3::Database.new(HouseBackup.database.to_s, readonly: true)
      source.busy_handler_timeout = BUSY_MILLISECONDS
      open_database do |target|
        SQLite3::Backup.new(target, "main", source, "main").tap { |backup| backup.step(-1) }.finish
        target.execute("PRAGMA journal_mode = DELETE") # one file, without a log beside it
      end
    ensure
      source&.close
    end

    # @return [Array<String>] keys of those that cannot be had
    def copy_files(before)
      open_database { |database| database.execute(BLOBS) }.reject do |key, checksum|
        place = file(key)
        FileUtils.mkdir_p(place.dirname)
        [ (before.file(key) if before), place ].compact.find { |there| whole?(there, checksum) }.then { |there| there ? link(there, place) : take(key, place) }
        whole?(place, checksum) || (FileUtils.rm_f(place) && false)
      end.map(&:first)
    end

    def link(there, place)
      FileUtils.ln(there, place) unless place == there
    rescue SystemCallError # a disk that knows no two names for one file
      FileUtils.cp(there, place)
    end

    def take(key, place)
      FileUtils.cp(ActiveStorage::Blob.service.path_for(key), place)
    rescue Errno::ENOENT
      nil
    end

    def whole?(path, checksum)
      path.file? && OpenSSL::Digest::MD5.file(path).base64digest == checksum
    end

    def manifest(at, lost)
      open_database do |database|
        { form: FORM, made_at: at.utc.iso8601, schema: database.get_first_value("SELECT max(version) FROM schema_migrations"), rows: rows(database), lost: lost, sums: sums }
      end
    end

    def rows(database)
      database.execute(TABLES).flatten.to_h { |table| [ table, database.get_first_value("SELECT count(*) FROM \"#{table}\"") ] }
    end

    # @return [Hash{String=>String}] SHA-256 of all but the manifest
    def sums
      folder.glob("**/*").select(&:file?).reject { |path| path.basename.to_s == MANIFEST }.sort.to_h { |path| [ path.relative_path_from(folder).to_s, OpenSSL::Digest::SHA256.file(path).hexdigest ] }
    end
  end
end
