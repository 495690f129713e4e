require "selenium-webdriver"

# The browser that tests and pictures drive: Debian's own without a window, never one fetched at run time.
module Chromium
  FLAGS = %w[--headless --no-sandbox --disable-gpu --disable-dev-shm-usage --disable-background-networking --disable-component-update
             --disable-sync --no-first-run --force-color-profile=srgb --hide-scrollbars].freeze

  def self.options(width: 1280, height: 800)
    Selenium::WebDriver::Chrome::Options.new(binary: "/usr/bin/chromium-headless-shell", args: FLAGS + [ "--window-size=#{width},#{height}" ]).tap do |options|
      options.logging_prefs = { browser: "ALL" }
    end
  end

  def self.service
    Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
  end
end
