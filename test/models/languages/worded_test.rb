require "test_helper"

class WordedTest < ActiveSupport::TestCase
  setup { @room = new_room("Lifts", keeper: person("Ana")) }

  test "words are those of the language asked for, else the house's own" do
    @room.update!(in_languages: { "en-US" => { "name" => "  Elevators ", "description" => "" } }, description: "Going up")

    assert_equal "Lifts", @room.reload.name
    I18n.with_locale("en-US") { assert_equal [ "Elevators", "Going up", "E" ], [ @room.name, @room.description, @room.initial ] }
    assert_equal "Lifts", @room[:name]
    assert_equal({ "en-US" => { "name" => "Elevators" } }, @room.in_languages)
  end

  test "a form of a language is served by the words for that language" do
    @room.in_languages = { "fr" => { "name" => "Ascenseurs" } }

    assert_equal "Ascenseurs", @room.words_in("fr-CH", :name)
    assert_nil @room.words_in("de", :name)
    assert_nil @room.words_in("fr", :description)
  end

  test "words that nobody can be shown, of an unknown kind, or too long are refused" do
    { { "xx" => { "name" => "A" } } => true, { "en-US" => { "colour" => "A" } } => true, { "en-US" => { "name" => "A" * 81 } } => true,
      { "en-US" => { "name" => "A" * 80, "description" => "B" * 300 } } => false, { "xx" => { "name" => " " } } => false }.each do |given, refused|
      @room.in_languages = given
      assert_equal refused, @room.invalid?, given.inspect
      assert_equal refused, @room.errors[:in_languages].any?
    end
  end
end
