module HouseBackup
  # The place where backups are kept, one generation beside the other, named by when they were made.
  class Shelf
    FORM = "%Y-%m-%dT%H%M%SZ"
    NAME = /\A(\d{4}-\d\d-\d\dT\d{6}Z)(#{Regexp.escape(Seal::ENDING)})?\z/
    UNFINISHED = ".part-"

    # @param folder [String, Pathname]
    # @param key [String, nil] a file with the key that seals them
    def initialize(folder, key: nil)
      @folder = Pathname(folder)
      @seal = key && Seal.new(key)
    end

    # Adds a backup of the house that runs here: made, verified, and only then given its name; drops those that are no
    # longer worth keeping.
    #
    # @return [Array(Pathname, Array<String>)] the new one, and keys of files that the house itself has lost
    # @raise [Broken, Impossible]
    def add(at: Time.current)
      alone do
        part = @folder.join("#{UNFINISHED}#{SecureRandom.hex(4)}")
        part.mkpath
        content = Content.new(part)
        lost = content.copy(before: (Content.new(unsealed.last) if unsealed.any?), at: at)
        content.verify
        [ name(part, at).tap { drop }, lost ]
      ensure
        FileUtils.rm_rf(part) if part
      end
    end

    # @return [Array<Pathname>] oldest first
    def all
      @folder.children.select { |child| child.basename.to_s.match?(NAME) }.sort
    end

    private

    def unsealed
      all.select(&:directory?)
    end

    # One at a time; what an earlier one left unfinished is removed.
    def alone
      @folder.mkpath
      File.open(@folder.join(".lock"), File::CREAT | File::RDWR) do |lock|
        raise Impossible, "another backup is being made" unless lock.flock(File::LOCK_EX | File::LOCK_NB)

        FileUtils.rm_rf(@folder.glob("#{UNFINISHED}*"))
        yield
      end
    end

    def name(part, at)
      place = @folder.join(at.utc.strftime(FORM))
      return sealed(part, place.sub_ext(Seal::ENDING)) if @seal

      raise Impossible, "there is one of this second already" if place.exist?

      File.rename(part, place)
      flushed(place)
    end

    # Opened once more before it counts.
    def sealed(part, place)
      closed = @folder.join("#{UNFINISHED}#{SecureRandom.hex(4)}")
      @seal.close(part, closed)
      Dir.mktmpdir(UNFINISHED, @folder) do |again|
        @seal.open(closed, Pathname(again))
        Content.new(again).verify
      end
      File.rename(closed, place)
      flushed(place)
    ensure
      FileUtils.rm_f(closed) if closed
    end

    def flushed(place)
      system("sync", "--file-system", @folder.to_s)
      place
    end

    def drop
      kept = Zuhause::Exchange::Generations.kept(all.map { |place| time(place) })
      all.reject { |place| kept.include?(time(place)) }.each { |place| FileUtils.rm_rf(place) }
    end

    def time(place)
      Time.strptime("#{place.basename.to_s[NAME, 1]} UTC", "#{FORM} %Z")
    end
  end
end
