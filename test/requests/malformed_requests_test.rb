require "test_helper"

# Whatever a request says, in whatever form: the answer is one of those that a person or a program can do something with.
class MalformedRequestsTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  # What stands where a word, a number, a day or an id is expected.
  VALUES = { broken: "\xFF\xFEa", null: "a\u0000b", nothing: "", zero: "0", negative: "-1", huge: "9" * 30, day: "2026-02-31", year: "99999-01-01", long: "w" * 9000, control: "a\u0001\r\nb", path: "../../etc/passwd", sign: "%", quote: "\"'`;--" }.freeze
  SHAPES = { list: [ "x", "y" ], words: { "a" => "b" }, nested: { "a" => { "b" => [ { "c" => "d" } ] } }, lists: [ [ "a" ], [ { "b" => "c" } ] ] }.freeze
  FORMATS = [ nil, :json, :csv, :md, :xyz ].freeze
  OUR_PARAMETERS = Rails.root.glob("app/{controllers,models,helpers}/**/*.rb").flat_map { |file| file.read.scan(/params(?:\.(?:require|fetch|expect|permit)\(|\[)[:"](\w+)/).flatten + file.read.scan(/permit\(([^)]*)\)/).flatten.flat_map { |names| names.scan(/:(\w+)/).flatten } }.uniq.freeze
  ROUTES = Rails.application.routes.routes.reject(&:internal).select { |route| route.defaults[:controller] }.freeze
  LEFT_OUT = %w[sessions#destroy errors#broken].freeze # one would end what is tried, the other says that something broke

  setup do
    @ida = person("Ida Karlow", office: "administrator")
    @room = new_room("On Board", keeper: @ida, open: true)
    @page = new_page("Gangway", above: @room, by: @ida, markdown: "# Ice\n\nSpread grit.\n\n| a | b |\n| - | - |\n| 1 | 2 |")
    sign_in @ida
    get "/"
  end

  test "no value of a parameter breaks any door" do
    assert_operator OUR_PARAMETERS.size, :>, 60
    wrong = some(ROUTES.product(VALUES.to_a), 700).filter_map { |route, (name, value)| asked(route, name, OUR_PARAMETERS.index_with { |parameter| shaped(parameter, value, route) }) }
    wrong += some(ROUTES.product(SHAPES.to_a), 150).filter_map { |route, (name, value)| asked(route, name, OUR_PARAMETERS.index_with { value }) }
    assert_empty wrong, wrong.first(40).join("\n")
  end

  test "no value where an id stands in the path breaks any door" do
    ids = %w[%FF %00 .. %2e%2e%2f 0 -1 99999999999999999999999999 a%0Ab %22 aaaaaaaaaa]
    wrong = some(ROUTES.product(ids), 250).filter_map { |route, id| asked(route, id, {}, id: id) }
    assert_empty wrong, wrong.first(40).join("\n")
  end

  test "no format, no body and no type of one breaks any door" do
    wrong = some(ROUTES.product(FORMATS), 250).filter_map { |route, format| asked(route, format, {}, format: format) }
    bodies = { "application/json" => [ "{", "[]", "1", "null", "\"x\"", "{\"a\":", "\xFF", "{\"page\":{\"title\":[1,{}]}}" ], "application/x-www-form-urlencoded" => [ "a=%", "a[b]=1&a=2", "a[]=1&a[b]=2", "=&&=", "\xFF=\xFF", "a#{"[b]" * 200}=1" ],
               "multipart/form-data; boundary=x" => [ "--x", "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"\xFF\"\r\n\r\nx\r\n--x--", "" ], "multipart/form-data" => [ "x" ], "text/plain" => [ "x" ] }
    sent = bodies.flat_map { |type, texts| texts.map { |text| [ type, text ] } }
    wrong += some(ROUTES.reject { |route| [ "GET", "" ].include?(route.verb) }.product(sent), 250).filter_map { |route, (type, text)| asked(route, "#{type} #{text.inspect}", text, type: type) }
    assert_empty wrong, wrong.first(40).join("\n")
  end

  test "more files at once than are taken, and files whose names are none, are refused in words" do
    many = Array.new(129) { Rack::Test::UploadedFile.new(StringIO.new("x"), "text/plain", original_filename: "a.txt") }
    assert_nil asked(route_of("arrivals#create"), "129 files", { files: many })
    [ "", ".", "..", "/", "\u0000.md", "a" * 400 + ".md", "\\", "a/b/../c.md" ].each do |name|
      file = Rack::Test::UploadedFile.new(StringIO.new("words"), "text/plain", original_filename: name)
      ROUTES.select { |route| route.verb != "GET" && %w[arrivals#create pages/files#create pages/texts#create pages/looks#update profiles/pictures#update].include?(action(route)) }.each do |route|
        assert_nil asked(route, name.inspect, { file: file, files: [ file ], picture: file, cover: file, icon: file })
      end
    end
  end

  test "what is too large is refused before it is parsed, and far earlier if nobody is signed in" do
    post "/pastes", params: "{\"text\":\"#{"x" * WellFormed::OTHER}\"}", headers: { "CONTENT_TYPE" => "application/json" }
    assert_response :content_too_large
    assert_select ".lead", text: /larger than can be taken/
    post "/pastes", params: "{\"text\":\"#{"x" * WellFormed::SIGNED_OUT}\"}", headers: { "CONTENT_TYPE" => "application/json" }
    assert_response :success
    reset!
    post "/sign-in", params: { person: { email: "x" * WellFormed::SIGNED_OUT } }
    assert_response :content_too_large
    get "/p/#{@page.to_param}", headers: { "Cookie" => "_zuhause_session=#{"x" * 5000}" }
    assert_response :not_found
  end

  test "a long address is come back to after signing in, and overflows no cookie" do
    reset!
    [ "/people?q=#{"w" * 6000}", "/p/#{@page.to_param}?from=#{"x" * 1500}", "/people?page=2" ].each do |address|
      get address
      assert_response :not_found
    end
    post "/sign-in", params: { person: { email: @ida.email, password: HouseBuilding::PASSWORD } }
    assert_redirected_to "/people?page=2"
  end

  private

  # Of all that can be asked as many as there is time for, the same each time; all of it in the long run, few in the quick one.
  def some(all, count)
    ENV["LONG"] ? all : all.sample(ENV["QUICK"] ? count / 10 : count, random: Random.new(Integer(ENV.fetch("SEED", "1125"))))
  end

  # The value within the shape that is asked for, so that it comes as far as it can.
  def shaped(parameter, value, route)
    fields = Shapes::FIELDS.include?(parameter) || (Shapes::EITHER.include?(parameter) && route.verb != "GET" && !action(route).start_with?("arrivals", "demo"))
    return OUR_PARAMETERS.index_with { value } if fields

    Shapes::LISTS.include?(parameter) ? [ value ] : value
  end

  def action(route)
    "#{route.defaults[:controller]}##{route.defaults[:action]}"
  end

  def route_of(action)
    ROUTES.find { |route| action(route) == action }
  end

  # @return [String, nil] what went wrong
  def asked(route, name, params, id: nil, format: nil, type: nil)
    return if LEFT_OUT.include?(action(route))

    sign_in Person.find(@ida.id)
    path = path_of(route, id)
    path += ".#{format}" if format
    headers = type ? { "CONTENT_TYPE" => type } : {}
    ActiveRecord::Base.transaction(requires_new: true) do
      process(route.verb.presence&.downcase&.to_sym || :get, path, params: params, headers: headers)
      raise ActiveRecord::Rollback
    end
    "#{action(route)} #{route.verb} #{path.inspect} #{name}: #{response.status}" if response.status >= 500
  rescue StandardError => e
    "#{action(route)} #{route.verb} #{path.inspect} #{name}: #{e.class} #{e.message.scrub[0, 120]} #{e.backtrace.grep(/\/(app|core|lib)\//).reject { |line| line.include?("/gems/") }.first.to_s.delete_prefix(Rails.root.to_s)}"
  end

  def path_of(route, id)
    route.path.spec.to_s.delete_suffix("(.:format)").gsub(/[:*](\w+)/) do
      id || { "page_id" => @page.to_param, "room_id" => @room.public_id, "number" => "1" }.fetch(Regexp.last_match(1)) { @page.to_param }
    end
  end
end
