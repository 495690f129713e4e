# Backups of the house, made while people write: database, files and secret, kept in generations, sealed if there is a key.
module HouseBackup
  # What is looked at is no whole backup, with the reason.
  class Broken < StandardError; end

  # Why something cannot be done here.
  class Impossible < StandardError; end

  FORM = 1

  # @return [Pathname] where the house that runs here has its database
  def self.database
    Rails.root.join(ActiveRecord::Base.connection_db_config.database)
  end
end
