# Writing in a long draft, in a real browser: opening it, from a key to what is painted by the browser's own timing
# (Event Timing API), saving it, and rendering it. Run by bin/bench writing.
require "selenium-webdriver"
require "net/http"
require_relative "../test/support/chromium"

class WritingBench
  WORDS = 20_000
  KEYS = 120
  PORT = 3996
  ADDRESS = "http://127.0.0.1:#{PORT}".freeze
  PASSWORD = "under-the-eaves".freeze

  def run
    make_page
    floor = measure("floor: an empty form (profile)") { visit "/profile/password/edit" }
    measure("the draft of #{WORDS} words, sent to the editor", floor) { visit "/p/#{@page.to_param}/draft/edit" }
    measure("rendering it for the first time", floor) { Zuhause::Markup::HTML.write(@page.draft.document) }
    measure("the page of it, read", floor) { visit "/p/#{@page.to_param}" }
    measure("saving it", floor) { rolled_back { save } }
    in_browser
  end

  private

  def make_page
    House.find_by(id: 1) || House.create!(id: 1, name: "Bench")
    @person = Person.find_by(email: "w@bench.example") || Person.create!(name: "Writer", email: "w@bench.example", password: PASSWORD)
    room = Room.first || Room.new(name: "Long", colour: "brick").tap { |new| new.open_for(@person) }
    @page = Page.first || Page.begin(title: "A long draft", above: room, by: @person).tap { |page| write(page) }
    sign_in "w@bench.example"
  end

  def write(page)
    random = Random.new(7)
    text = (1..(WORDS / 100)).map { |i| "#{"## Section #{i}\n\n" if (i % 5).zero?}#{Array.new(100) { "word#{random.rand(4000)}" }.each_slice(50).map { |words| words.join(" ") }.join("\n\n")}" }.join("\n\n")
    saved = page.save_draft(base_version: 1, save_id: "bench", title: page.title, document: Zuhause::Markup::MarkdownReader.read(text).doc, by: @person)
    page.publish(version: saved.version, by: @person)
  end

  def save
    page = Page.find(@page.id)
    page.save_draft(base_version: page.draft.version, save_id: SecureRandom.uuid, title: page.title, document: page.draft.document, by: @person)
  end

  def in_browser
    server = spawn({ "PORT" => PORT.to_s }, "bin/rails", "server", "--binding", "127.0.0.1", "--pid", "tmp/bench-writing.pid", out: File::NULL, err: File::NULL)
    wait
    driver = Selenium::WebDriver.for(:chrome, options: Chromium.options, service: Chromium.service)
    driver.get("#{ADDRESS}/sign-in")
    driver.find_element(id: "person_email").send_keys("w@bench.example")
    driver.find_element(id: "person_password").send_keys(PASSWORD, :enter)
    Selenium::WebDriver::Wait.new(timeout: 20).until { driver.find_elements(css: ".me").any? }
    opened = Array.new(5) { open_draft(driver) }.sort
    printf "%-52s %9.1f ms\n", "opening it in the browser, until it can be written", opened[2]
    type(driver)
  ensure
    driver&.quit
    Process.kill("TERM", server) && Process.wait(server) if server
  end

  def wait
    Net::HTTP.get_response(URI("#{ADDRESS}/sign-in"))
  rescue SystemCallError
    Thread.pass
    retry
  end

  # Milliseconds from asking for the page until the editor is ready.
  def open_draft(driver)
    driver.get("#{ADDRESS}/p/#{@page.to_param}/draft/edit")
    Selenium::WebDriver::Wait.new(timeout: 60, interval: 0.02).until { driver.find_elements(css: "[data-ready=true]").any? }
    driver.execute_script("return performance.now()")
  end

  def type(driver)
    driver.execute_script(<<~JS)
      window.taken = []
      new PerformanceObserver((list) => list.getEntries().forEach((entry) => { if (entry.name === "keydown") taken.push(entry.duration) })).observe({ type: "event", durationThreshold: 16 })
      const { editor } = document.querySelector(".ProseMirror")
      editor.commands.focus(Math.floor(editor.state.doc.content.size / 2))
    JS
    editor = driver.find_element(css: ".ProseMirror")
    Array.new(KEYS) { |i| (i % 6).zero? ? " " : "e" }.each { |key| editor.send_keys(key) }
    slow = driver.execute_async_script("setTimeout(() => arguments[0](taken), 500)")
    all = (slow + Array.new([ KEYS - slow.size, 0 ].max, 16)).sort
    printf "%-52s %9.1f ms  (of %d keys; the longest %d ms; below 16 ms counts as 16)\n", "from a key to what is painted", all[all.size / 2], all.size, all.last
  end
end
