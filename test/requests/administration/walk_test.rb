require "test_helper"

# Whoever follows the links of the demo house, one of each kind of address, comes to pages that are there, in which every place that is
# led to exists and none is called as another.
class WalkTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  ALIKE, PEOPLE = ENV["LONG"] ? [ 3, [ "Ida Karlow", "Wilma Fosk", "Gerd Moll" ] ] : [ 1, [ "Wilma Fosk" ] ] # addresses of a kind that are followed, and by whom
  ELSEWHERE = %r{\A/(?:sign-out|stop/|come/)|\.(?:png|pdf|zip|epub|svg)\b} # what ends a session, what a letter hides, and files

  test "no link of the demo house leads nowhere" do
    DemoHouse.load
    PEOPLE.each do |name|
      sign_in Person.find_by!(name: name)
      walked = walk
      assert_operator walked.size, :>, 40, name
      assert_empty walked.flat_map { |path, wrong| wrong.map { |words| "#{name}: #{path}: #{words}" } }
    end
  end

  private

  # @return [Hash{String=>Array<String>}] what is wrong, by address
  def walk
    found, waiting, kinds = {}, [ "/" ], Hash.new(0)
    while (path = waiting.shift)
      get path
      found[path] = wrong(path)
      addresses.each { |other| waiting << other unless found.key?(other) || waiting.include?(other) || (kinds[kind_of_address(other)] += 1) > ALIKE }
    end
    found
  end

  def wrong(path)
    return [ "#{response.status}" ] if response.status >= 400
    return [] unless response.media_type == "text/html" && response.status == 200

    ids = css_select("[id]").map { |element| element["id"] }
    gone = css_select("a[href^='#']").map { |link| link["href"].delete_prefix("#") }.reject(&:empty?) - ids
    ids.tally.select { |_id, times| times > 1 }.keys.map { |id| "twice ##{id}" } + gone.uniq.map { |id| "no ##{id}" }
  end

  def addresses
    return [ URI(response.location).request_uri ] if response.redirect? && URI(response.location).host == request.host
    return [] unless response.media_type == "text/html"

    css_select("a[href^='/']").map { |link| link["href"].sub(/#.*/m, "") }.uniq.reject { |address| address.start_with?("//") || address.match?(ELSEWHERE) }
  end

  def kind_of_address(path)
    path.gsub(/\d+/, "1").gsub(%r{(?<=/|-|=)[a-z0-9]{10}(?=/|\?|&|\z)}, "id").sub(%r{/p/[^/?]*}, "/p/").sub(/(?<=q=)[^&]*/, "")
  end
end
