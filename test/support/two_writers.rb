require "selenium-webdriver"
require_relative "chromium"

# Two people who write on one page at once, each in a real browser, by keys: in blocks of every kind, with the line cut now and
# then, and the page loaded anew. What they type are words that stand nowhere else; what they take away are words that stood
# there at first.
class TwoWriters
  TEXT = <<~MARKDOWN.freeze
    Base alpha beta gamma delta epsilon zeta.

    ## Base heading eta

    - base one theta
    - base two iota

    | base a | base b |
    | - | - |
    | base c | base d |

    > [!TIP]
    > Base tip kappa lambda.

    > Base quote mu nu.

    - [ ] base task xi
    - [x] base done omicron

    ```
    base code pi
    ```

    Base end rho sigma tau.
  MARKDOWN
  PLACES = ".ProseMirror :is(p, h2, h3, h4, h5, pre, dt)".freeze
  ACTS = %i[word word word line item strong take_away move undo_nothing].freeze
  WAIT = 120 # seconds, until all has come together

  attr_reader :typed

  # @param address [String] of the draft, to be written on
  # @param cookies [Array<Hash>] one for each of the two, by which they are signed in
  def initialize(address, cookies, random)
    @address, @cookies, @random, @typed = address, cookies, random, []
    @drivers = Array.new(2) { Selenium::WebDriver.for(:chrome, options: Chromium.options, service: Chromium.service) }
    @drivers.zip(cookies) do |driver, cookie|
      driver.get(URI.join(address, "/sign-in").to_s)
      driver.manage.add_cookie(cookie)
      open(driver)
    end
  end

  # @param count [Integer] of acts
  def write(count)
    count.times do |i|
      driver = @drivers[@random.rand(2)]
      send(ACTS[@random.rand(ACTS.size)], driver)
      trouble(driver) if (i % 8) == 7
    end
    @drivers.each { |driver| offline(driver, false) }
  end

  # @return [Array<String>] what both show once all has come together; the same twice if it has
  def together
    Selenium::WebDriver::Wait.new(timeout: WAIT, interval: 0.3).until { shown.uniq.one? && @drivers.all? { |driver| saved?(driver) } && yield(shown.first) }
    shown
  rescue Selenium::WebDriver::Error::TimeoutError
    shown
  end

  def quit
    @drivers.each(&:quit)
  end

  private

  def open(driver)
    driver.get(@address)
    Selenium::WebDriver::Wait.new(timeout: 60).until { driver.find_elements(css: "[data-ready=true]").any? }
  end

  # What each shows, word by word.
  def shown
    @drivers.map { |driver| driver.execute_script("return [...document.querySelectorAll(arguments[0])].map((block) => block.textContent).join(' ').match(/[\\p{L}\\p{N}]+/gu).join(' ')", PLACES) }
  end

  def saved?(driver)
    driver.execute_script("return document.querySelector('[data-state]').dataset.state") == "saved"
  end

  # The line is cut or comes back, or the page is loaded anew.
  def trouble(driver)
    case @random.rand(3)
    when 0 then offline(driver, true)
    when 1 then offline(driver, false)
    else
      offline(driver, false)
      driver.execute_script("window.dispatchEvent(new Event('pagehide'))")
      driver.navigate.refresh
      driver.switch_to.alert.accept rescue nil
      Selenium::WebDriver::Wait.new(timeout: 60).until { driver.find_elements(css: "[data-ready=true]").any? }
    end
  end

  def offline(driver, whether)
    driver.execute_cdp("Network.enable")
    driver.execute_cdp("Network.emulateNetworkConditions", offline: whether, latency: 0, downloadThroughput: -1, uploadThroughput: -1)
  end

  def place(driver, at_end: false)
    driver.execute_script(<<~JS, PLACES, @random.rand(1000), @random.rand(1000), at_end)
      const [places, which, where, atEnd] = arguments
      const all = [...document.querySelectorAll(places)]
      const block = all[which % all.length]
      const texts = []
      for (let walk = document.createTreeWalker(block, NodeFilter.SHOW_TEXT), node; (node = walk.nextNode());) texts.push(node)
      const range = document.createRange()
      const text = texts.at(atEnd ? -1 : where % Math.max(texts.length, 1))
      const spaces = text ? [...text.data.matchAll(/ /g)].map((found) => found.index) : []
      if (!text) range.setStart(block, 0)
      else if (atEnd || !spaces.length) range.setStart(text, text.length)
      else range.setStart(text, spaces[where % spaces.length])
      range.collapse(true)
      document.querySelector(".ProseMirror").focus()
      getSelection().removeAllRanges()
      getSelection().addRange(range)
    JS
  end

  def keys(driver, *what)
    driver.action.send_keys(*what).perform
  end

  def fresh
    "w#{@typed.size}q".tap { |word| @typed << word }
  end

  def word(driver)
    place(driver)
    keys(driver, " #{fresh}")
  end

  def line(driver)
    place(driver, at_end: true)
    keys(driver, :enter, fresh)
  end

  def item(driver)
    place(driver, at_end: true)
    keys(driver, :enter, "- ", fresh, :enter, fresh)
  end

  def strong(driver)
    place(driver)
    driver.action.key_down(:control).send_keys("b").key_up(:control).send_keys(" #{fresh}").perform
  end

  # A word that stood there at first; chosen and taken away in one go, so that nothing comes in between.
  def take_away(driver)
    driver.execute_script(<<~JS, @random.rand(1000))
      const words = []
      for (let walk = document.createTreeWalker(document.querySelector(".ProseMirror"), NodeFilter.SHOW_TEXT), node; (node = walk.nextNode());) {
        for (const found of node.data.matchAll(/\\b[a-z]{3,}\\b/g)) words.push([node, found.index, found.index + found[0].length])
      }
      if (!words.length) return
      const [node, from, to] = words[arguments[0] % words.length]
      const range = document.createRange()
      range.setStart(node, from)
      range.setEnd(node, to)
      document.querySelector(".ProseMirror").focus()
      getSelection().removeAllRanges()
      getSelection().addRange(range)
      document.execCommand("delete")
    JS
  end

  def move(driver)
    place(driver)
    driver.action.key_down(:alt).send_keys(@random.rand(2).zero? ? :arrow_down : :arrow_up).key_up(:alt).perform
  end

  def undo_nothing(driver)
    place(driver)
    keys(driver, :arrow_left, :arrow_right)
  end
end
