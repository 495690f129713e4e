# Writing in a long draft, in a real browser: opening it, from a key to what is painted (to the same in a bare editable field
# that holds the same text, in the same layout), what keeps the browser longer than 50 ms (Long Tasks API), saving it, and
# rendering it. Run by bin/bench writing.
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
    @page = Page.begin(title: "A long draft", above: room, by: @person).tap { |page| write(page) }
    sign_in "w@bench.example"
  end

  def write(page)
    random = Random.new(7)
    text = (1..(WORDS / 100)).map { |i| "#{"## Section #{i}\n\n" if (i % 5).zero?}#{Array.new(100) { "word#{random.rand(4000)}" }.each_slice(50).map { |words| words.join(" ") }.join("\n\n")}" }.join("\n\n")
    saved = page.save_draft(State.new(title: page.title, document: Zuhause::Markup::MarkdownReader.read(text).doc), base_version: 1, save_id: "bench", by: @person)
    page.publish(version: saved.version, by: @person)
  end

  def save
    page = Page.find(@page.id)
    page.save_draft(State.new(title: page.title, document: page.draft.document), base_version: page.draft.version, by: @person)
  end

  def in_browser
    server = spawn({ "PORT" => PORT.to_s }, "bin/rails", "server", "--binding", "127.0.0.1", "--pid", "tmp/bench-writing.pid", out: File::NULL, err: File::NULL)
    wait
    driver = Selenium::WebDriver.for(:chrome, options: Chromium.options, service: Chromium.service)
    driver.get("#{ADDRESS}/sign-in")
    driver.find_element(id: "person_email").send_keys("w@bench.example")
    driver.find_element(id: "person_password").send_keys(PASSWORD, :enter)
    Selenium::WebDriver::Wait.new(timeout: 20).until { driver.find_elements(css: ".me").any? }
    driver.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: READY)
    opened = Array.new(15) { open_draft(driver) }.sort
    printf "%-52s %9.1f ms  (aim: at most 400 ms; %.0f to %.0f ms)\n", "opening it in the browser, until it can be written", opened[7], *opened.minmax
    driver.execute_script("sessionStorage.setItem('text', document.querySelector('.ProseMirror').innerHTML)")
    in_editor = type(driver)
    bare = in_bare_field(driver)
    tell("a key in a bare editable field of the same text", bare)
    tell("a key in the editor", in_editor)
    printf "%-52s %9.2f ×  (aim: at most 1.5 ×)\n", "the editor to the bare field", in_editor[:median] / bare[:median]
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

  # Runs before any script of the page, so that nobody has to look again and again whether it is ready.
  READY = <<~JS.freeze
    new MutationObserver(() => document.querySelector("[data-ready=true]") && (window.ready ??= performance.now()))
      .observe(document, { subtree: true, childList: true, attributes: true, attributeFilter: ["data-ready"] })
  JS

  # Milliseconds from asking for the page until the editor is ready.
  def open_draft(driver)
    driver.get("#{ADDRESS}/p/#{@page.to_param}/draft/edit")
    Selenium::WebDriver::Wait.new(timeout: 60).until { driver.execute_script("return window.ready") }
  end

  # From each key to what is painted: the first frame behind it, and what the browser did until it could do anything else.
  WATCH = <<~JS.freeze
    window.taken = []
    window.long = []
    new PerformanceObserver((list) => long.push(...list.getEntries().map(({ duration }) => duration))).observe({ type: "longtask" })
    addEventListener("keydown", ({ timeStamp }) => requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = () => taken.push(performance.now() - timeStamp)
      port2.postMessage(null)
    }), true)
  JS

  # Some keys warm up; then those that count, and whatever follows typing until it is done.
  def type(driver)
    driver.execute_script(<<~JS)
      const editor = document.querySelector(".ProseMirror")?.editor
      if (editor) editor.commands.focus(Math.floor(editor.state.doc.content.size / 2))
    JS
    press(driver, KEYS / 3)
    driver.execute_script(WATCH)
    before = length(driver)
    press(driver, KEYS)
    raise "what was typed is not in the text" unless length(driver) == before + KEYS

    taken, long = driver.execute_async_script("setTimeout(() => arguments[0]([taken, long]), 3000)")
    { median: taken.sort[taken.size / 2], longest: taken.max, count: taken.size, long: long }
  end

  def length(driver)
    driver.execute_script("return document.querySelector('.ProseMirror').textContent.length")
  end

  def press(driver, count)
    Array.new(count) { |i| (i % 6).zero? ? " " : "e" }.each { |key| driver.switch_to.active_element.send_keys(key) }
  end

  def tell(name, found)
    printf "%-52s %9.1f ms  (of %d keys; the longest %.0f ms; tasks over 50 ms: %s)\n", name, found[:median], found[:count], found[:longest],
           found[:long].empty? ? "none" : found[:long].map(&:round).join(", ")
  end

  # The same text in the same place and the same styles, with nothing to it but that it can be written in.
  def in_bare_field(driver)
    driver.get("#{ADDRESS}/p/#{@page.to_param}")
    driver.execute_script(<<~JS)
      const field = document.createElement("div")
      field.className = "ProseMirror"
      field.innerHTML = sessionStorage.getItem("text")
      field.contentEditable = "true"
      document.querySelector(".sheet .text").replaceChildren(field)
      field.focus()
      const blocks = [...field.children]
      getSelection().collapse(blocks[Math.floor(blocks.length / 2)].firstChild, 20)
      blocks[Math.floor(blocks.length / 2)].scrollIntoView({ block: "center", behavior: "instant" })
    JS
    type(driver)
  end
end
