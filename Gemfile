source "https://rubygems.org"

gem "rails", "~> 7.2.2"
gem "zuhause-core", path: "core"

gem "sqlite3", "~> 2.8"
gem "puma", "~> 6.6"
gem "propshaft"
gem "jsbundling-rails"
gem "cssbundling-rails"
gem "solid_cache"
gem "devise", "~> 5.0"
gem "pundit"
gem "rack-attack"
gem "ancestry", "~> 5.0"
gem "positioning"
gem "pagy", "~> 9.4"
gem "image_processing", "~> 1.14"
gem "ruby-vips", require: false
gem "rubyzip", "~> 2.4", require: false
gem "solid_queue", "~> 1.1"
gem "bootsnap", require: false

group :development, :test do
  gem "brakeman", require: false
  gem "rubocop-rails-omakase", require: false
end

group :test do
  gem "capybara"
  gem "minitest", "~> 5.25"
  gem "selenium-webdriver", "4.32.0"
end
