require "test_helper"

# Whoever is not signed in meets nobody's name, whatever stands open.
class NamesTest < ActionDispatch::IntegrationTest
  test "no open screen tells who wrote, keeps or is named" do
    ana, ben = person("Ana Berg"), person("Ben Holt")
    House.current.update!(public_addresses: true)
    room = new_room("On Board", keeper: ana)
    page = new_page("Gangway", above: room, by: ana, markdown: "Ask [x](mention:#{ben.public_id}).")
    rewrite(page, "Ask [x](mention:#{ben.public_id}) again.", by: ben)
    page.grant(holder(:anyone), :read)
    [ "", "/editions", "/editions/1", "/comparison?from=1&to=2", "/linked-from" ].each do |path|
      get "/p/#{page.to_param}#{path}"
      assert_response :success, path
      assert_no_match(/Ana|Ben/, response.body, path)
    end
  end
end
