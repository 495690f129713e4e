require "application_system_test_case"
require "net/http"

# A real server of its own, with all its protections, to be killed without warning between saves.
class SeparateServerTest < ApplicationSystemTestCase
  self.use_transactional_tests = false

  setup do
    FileUtils.rm_f(Dir["#{database_file}*"])
    system(environment, "bin/rails", "db:schema:load", exception: true, out: File::NULL)
    @path = make_page
    start
    Capybara.app_host = address
  end

  teardown do
    kill
    Capybara.app_host = nil
  end

  test "what was called saved is there after kill -9, and what was typed meanwhile follows" do
    %w[ERR_CONNECTION_REFUSED ERR_CONNECTION_RESET ERR_EMPTY_RESPONSE].each { |problem| expect_problem problem } # whatever was under way
    sign_in
    visit @path
    editor.send_keys "Before the fall."
    assert_selector "[data-state=saved]"
    kill
    assert_equal "Before the fall.", text_in_database

    editor.send_keys " While it was down."
    assert_selector "[data-state=offline]"
    start
    assert_selector "[data-state=saved]", wait: 30
    kill
    assert_equal "Before the fall. While it was down.", text_in_database

    start
    visit @path
    assert_selector ".ProseMirror", text: "Before the fall. While it was down."
  end

  test "signing in again in another tab lets one go on, though the page's token is of the session that ended" do
    expect_problem "422"
    expect_problem "404"
    expect_problem "draft/names"
    sign_in
    visit @path
    editor.send_keys "Signed in."
    assert_selector "[data-state=saved]"
    page.driver.browser.manage.delete_all_cookies
    editor.send_keys " And out."
    assert_selector "[data-state=signed_out]"
    tab = open_new_window
    within_window(tab) { sign_in }
    tab.close
    page.execute_script "document.dispatchEvent(new Event('visibilitychange'))"
    assert_selector "[data-state=saved]"
    assert_equal "Signed in. And out.", text_in_database
  end

  private

  def sign_in
    visit "/sign-in"
    fill_in "Mail address", with: "ida.karlow@ternholm.example"
    fill_in "Password", with: HouseBuilding::PASSWORD
    within("main") { click_on "Sign in" }
    assert_selector ".me"
  end

  def editor
    find("[data-ready=true] .ProseMirror")
  end

  def make_page
    script = <<~RUBY
      include HouseBuilding
      ida = person("Ida Karlow")
      page = Page.begin(title: "Gangway in ice", above: new_room("On Board", keeper: ida), by: ida)
      print "/p/\#{page.to_param}/draft/edit"
    RUBY
    IO.popen(environment, [ "bin/rails", "runner", "require './test/support/house_building'; #{script}" ], &:read)
  end

  def start
    @server = spawn(environment, "bin/rails", "server", "--binding", "127.0.0.1", "--pid", pid_file, out: File::NULL, err: File::NULL)
    deadline = Time.current + 40.seconds
    until answers?
      raise "the server does not answer" if Time.current > deadline

      Thread.pass
    end
  end

  def answers?
    Net::HTTP.get_response(URI("#{address}/sign-in")).is_a?(Net::HTTPSuccess)
  rescue SystemCallError, EOFError
    false
  end

  def kill
    return unless @server

    Process.kill("KILL", @server)
    Process.wait(@server)
    @server = nil
    FileUtils.rm_f(pid_file)
  end

  # Tests run in several processes, each with a server of its own.
  def port
    3997 - (Process.pid % 500)
  end

  def address
    "http://127.0.0.1:#{port}"
  end

  def database_file
    Rails.root.join("tmp/separate_server_#{port}.sqlite3")
  end

  def pid_file
    Rails.root.join("tmp/separate_server_#{port}.pid").to_s
  end

  def environment
    { "TEST_DATABASE" => database_file.to_s, "SEPARATE_SERVER" => "1", "PORT" => port.to_s, "RAILS_ENV" => "test" }
  end

  def text_in_database
    database = SQLite3::Database.new(database_file.to_s)
    body = database.get_first_value("SELECT body FROM drafts JOIN texts USING (page_id, digest) WHERE version IS NOT NULL ORDER BY version DESC LIMIT 1")
    Zuhause::Document::Text.of(Text.new(body: body).document)
  ensure
    database&.close
  end
end
