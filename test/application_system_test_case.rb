require "test_helper"

# While one page gives way to the next, this Chromium calls an element of the old one unknown and not stale; either way
# it is looked for again.
class ChromiumDriver < Capybara::Selenium::Driver
  def invalid_element_errors
    super + [ Selenium::WebDriver::Error::UnknownError ]
  end
end

Capybara.register_driver(:chromium) do |app|
  ChromiumDriver.new(app, browser: :chrome, options: Chromium.options, service: Chromium.service)
end
Capybara.server = :puma, { Silent: true, Threads: "1:5" }
Capybara.default_max_wait_time = 20
Capybara.enable_aria_label = true

class ApplicationSystemTestCase < ActionDispatch::SystemTestCase
  include Accessibility, SigningIn

  driven_by :chromium

  # As outside of tests: what a form carries, and where it comes from, is judged.
  setup { ActionController::Base.allow_forgery_protection = true }
  teardown { ActionController::Base.allow_forgery_protection = false }

  # Nothing may be refused by the Content-Security-Policy, and no script may fail.
  teardown do
    assert_empty browser_problems, "the browser's console"
  end

  private

  def browser_problems
    page.driver.browser.logs.get(:browser).select { |entry| entry.level == "SEVERE" && expected_problems.none? { |text| entry.message.include?(text) } }.map(&:message)
  end

  # Answers that a test provokes are logged by the browser too.
  def expected_problems
    @expected_problems ||= []
  end

  def expect_problem(text)
    expected_problems << text
  end
end
