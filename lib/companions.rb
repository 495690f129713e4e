# The databases beside the house's own: what is kept to be quick, and work that waits. Nothing in them cannot be had again, so
# that the house never stands still for them: whichever is missing, broken or without its tables is laid aside and made anew
# when the server starts; where it turns out to be so while the server runs, the server starts itself anew.
class Companions
  NAMES = %w[cache queue].freeze
  RESTART = "tmp/restart.txt".freeze # which the server looks at
  PAUSE = 1.minute # between two looks at what may be broken

  # @return [Boolean] whether there are any in this environment
  def self.used?
    configs.any?
  end

  # @return [Array<ActiveRecord::DatabaseConfigurations::HashConfig>]
  def self.configs
    NAMES.filter_map { |name| ActiveRecord::Base.configurations.configs_for(env_name: Rails.env, name: name) }
  end

  # Something could not be done in one of them; those who asked go on without.
  #
  # @param error [Exception]
  # @return [Boolean] whether the server starts anew, since one is broken
  def self.failed(error, configs = self.configs, restart: Rails.root.join(RESTART))
    Rails.error.report(error, handled: true)
    return false if @looked && Time.current - @looked < PAUSE

    @looked = Time.current
    broken = configs.reject { |config| sound?(config) }
    Rails.logger.error("Broken: #{broken.map(&:name).to_sentence}. The server starts anew.") if broken.any?
    broken.any? && FileUtils.touch(restart).any?
  end

  # @param configs [Array<ActiveRecord::DatabaseConfigurations::HashConfig>]
  # @return [Array<String>] names of those that were made anew
  def self.mend(configs = self.configs)
    configs.reject { |config| sound?(config) }.map do |config|
      lay_aside(config.database)
      ActiveRecord::Tasks::DatabaseTasks.with_temporary_connection(config) { |connection| migrate(config, connection.pool) }
      config.name.tap { |name| Rails.logger.warn("The database “#{name}” could not be used and has been made anew.") }
    end
  end

  # @return [Boolean] whether it can be read and has all its tables
  def self.sound?(config)
    return false unless File.size?(config.database)

    database = SQLite3::Database.new(config.database)
    versions = database.execute("SELECT version FROM schema_migrations").flatten.map(&:to_i)
    needed = Dir[File.join(Array(config.migrations_paths).first, "*.rb")].map { |file| File.basename(file).to_i }
    (needed - versions).empty? && database.get_first_value("PRAGMA quick_check") == "ok"
  rescue SQLite3::Exception
    false
  ensure
    database&.close
  end

  def self.migrate(config, pool)
    ActiveRecord::Migration.suppress_messages { ActiveRecord::MigrationContext.new(Array(config.migrations_paths), pool.schema_migration, pool.internal_metadata).migrate }
  end

  def self.lay_aside(path)
    [ path, "#{path}-wal", "#{path}-shm" ].select { |file| File.exist?(file) }.each { |file| File.rename(file, "#{file}.broken") }
  end
  private_class_method :sound?, :migrate, :lay_aside
end
