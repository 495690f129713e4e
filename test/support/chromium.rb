require "selenium-webdriver"

# The browser that tests and pictures drive: Debian's own, never one fetched at run time; that without a window where it is
# there in its driver's version, since it is quicker.
module Chromium
  VERSIONS = `dpkg-query -W -f='${Version}\n' chromium-driver chromium-headless-shell 2>/dev/null`.split
  BINARY = VERSIONS.size == 2 && VERSIONS.uniq.one? ? "/usr/bin/chromium-headless-shell" : "/usr/bin/chromium"
  FLAGS = %w[--headless --no-sandbox --disable-gpu --disable-dev-shm-usage --disable-background-networking --disable-component-update
             --disable-sync --no-first-run --force-color-profile=srgb --hide-scrollbars].freeze

  def self.options(width: 1280, height: 800)
    Selenium::WebDriver::Chrome::Options.new(binary: BINARY, args: FLAGS + [ "--window-size=#{width},#{height}" ]).tap do |options|
      options.logging_prefs = { browser: "ALL" }
    end
  end

  def self.service
    Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
  end
end
