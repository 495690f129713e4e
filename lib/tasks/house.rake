namespace :house do
  desc "Look for harm to the plan, to what pages grant and to files, and say how it is mended"
  task check: :environment do
    harms = HouseCheck.run
    puts "house: all is well" if harms.empty?
    harms.each { |harm| puts "house: #{harm.what}\n  which: #{harm.ids.first(50).join(", ")}\n  mend: #{harm.mend}" }
    exit 1 if harms.any?
  end

  desc "A link with which somebody chooses a new password, for a house without mail: EMAIL=…"
  task link: :environment do
    person = Person.find_by!(email: ENV.fetch("EMAIL"))
    token = person.send(:set_reset_password_token)
    puts Rails.application.routes.url_helpers.edit_person_password_url(reset_password_token: token, **ActionMailer::Base.default_url_options)
  end
end
