namespace :demo do
  desc "Loads the demo house, unless there is a house already"
  task load: :environment do
    next puts("demo: the house is there") if House.current

    DemoHouse.load
    puts "demo: #{House.current.name}, #{Room.count} rooms, #{Page.count} pages, #{Person.count} people"
  end

  desc "Tells who may sign in to the demo house"
  task people: :environment do
    password = YAML.safe_load(DemoHouse::FOLDER.join("house.yml").read, symbolize_names: true).fetch(:password)
    Person.active.by_name.each { |person| puts format("  %-16s %-28s %s", person.name, person.email, person.office_none? ? person.role : person.office) }
    puts "  Everybody's password is #{password}; on the sign-in page one click is enough."
  end
end
