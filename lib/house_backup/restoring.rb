module HouseBackup
  # Puts the house of a backup into an empty folder, from which it can be served (HOUSE_FOLDER).
  class Restoring
    # What would hold again although it may have been ended since the backup was made. Everybody signs in anew.
    ENDED = [ "DELETE FROM sign_ins", "DELETE FROM email_changes", "UPDATE people SET reset_password_token = NULL, remember_created_at = NULL" ].freeze

    # @param backup [String, Pathname] one generation
    # @param folder [String, Pathname] empty, or not there yet
    # @param key [String, nil] a file with the key that it is sealed with
    def initialize(backup, folder, key: nil)
      @backup, @folder, @key = Pathname(backup), Pathname(folder), key
    end

    # Neither cache nor waiting work comes along: they are made anew when the house is served, so that nothing is shown of
    # what came after the backup.
    #
    # @return [Hash] what the manifest tells
    # @raise [Broken, Impossible]
    def run
      raise Impossible, "#{@backup} is not there" unless @backup.exist?
      raise Impossible, "#{@folder} is not empty" if @folder.exist? && @folder.children.any?

      @folder.dirname.mkpath
      Dir.mktmpdir(".restoring-", @folder.dirname) do |place|
        content = Content.new(Pathname(place).join("content").tap(&:mkpath))
        unpack(content.folder)
        content.verify
        content.told.tap { |told| settle(content, told) }
      end
    end

    private

    def unpack(place)
      return FileUtils.cp_r("#{@backup}/.", place, preserve: true) if @backup.directory?
      raise Impossible, "it is sealed: BACKUP_KEY_FILE names the file with its key" unless @key

      Seal.new(@key).open(@backup, place)
    end

    def settle(content, told)
      newest = ActiveRecord::MigrationContext.new(Rails.root.join("db/migrate").to_s).migrations.last.version
      raise Impossible, "it was made by a newer version of the house (#{told["schema"]}, here #{newest})" if told["schema"].to_i > newest

      content.open_database { |database| ENDED.each { |statement| database.execute(statement) } }
      content.folder.join(Content::FILES).mkpath
      { Content::DATABASE => "#{Rails.env}.sqlite3", Content::SECRET => "#{Rails.env}_secret" }.each { |from, to| File.rename(content.folder.join(from), content.folder.join(to)) }
      FileUtils.rm(content.folder.join(Content::MANIFEST))
      @folder.rmdir if @folder.exist?
      File.rename(content.folder, @folder)
    end
  end
end
