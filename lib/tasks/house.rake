namespace :house do
  # What went wrong is said in words, and told to whatever started it.
  def said
    yield
  rescue HouseBackup::Broken, HouseBackup::Impossible, SystemCallError => e
    abort "house: not done: #{e.message}"
  end

  desc "Add a backup of the house to the folder TO; BACKUP_KEY_FILE seals it"
  task backup: :environment do
    said do
      made, lost = HouseBackup::Shelf.new(ENV.fetch("TO"), key: ENV["BACKUP_KEY_FILE"].presence).add
      puts "house: backed up and verified: #{made}"
      abort "house: but files of the house are missing or not what they were, here as well: #{lost.first(20).join(", ")}" if lost.any?
    end
  end

  desc "Put the house of the backup FROM into the empty folder TO; BACKUP_KEY_FILE opens a sealed one"
  task restore: :environment do
    said do
      told = HouseBackup::Restoring.new(ENV.fetch("FROM"), ENV.fetch("TO"), key: ENV["BACKUP_KEY_FILE"].presence).run
      puts "house: as it was on #{told["made_at"]}, verified: #{told["rows"].values_at("pages", "people").join(" pages, ")} people, #{told["sums"].size - 2} files"
    end
  end

  desc "Look for harm to the plan, to what pages grant and to files, and say how it is mended"
  task check: :environment do
    harms = HouseCheck.run
    puts "house: all is well" if harms.empty?
    harms.each { |harm| puts "house: #{harm.what}\n  which: #{harm.ids.first(50).join(", ")}\n  mend: #{harm.mend}" }
    exit 1 if harms.any?
  end

  desc "Work out again what points where, from texts and settings"
  task references: :environment do
    puts "house: rows that were not as they should be, and are now: #{Reference.rebuild}"
  end

  desc "A link with which somebody chooses a new password, for a house without mail: EMAIL=…"
  task link: :environment do
    person = Person.find_by!(email: ENV.fetch("EMAIL"))
    token = person.send(:set_reset_password_token)
    puts Rails.application.routes.url_helpers.edit_person_password_url(reset_password_token: token, **ActionMailer::Base.default_url_options)
  end
end
