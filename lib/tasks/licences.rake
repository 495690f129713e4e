desc "Tell the licences of everything the application is made of"
task licences: :environment do
  packages = Licences.all
  packages.group_by(&:licences).sort_by { |_licences, those| -those.size }.each { |licences, those| puts "#{those.size} #{licences.join(" or ")}" }
  packages.reject(&:permissive?).select(&:tool?).each { |package| puts "only builds or tests: #{package}" }
  unfit = Licences.unfit(packages)
  unfit.each { |package| puts "not fit to be passed on: #{package}" }
  exit 1 if unfit.any?
end
