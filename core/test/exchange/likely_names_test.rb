require_relative "../test_helper"

class LikelyNamesTest < Minitest::Test
  LikelyNames = Zuhause::Exchange::LikelyNames

  def test_a_name_that_was_made_otherwise
    names = LikelyNames.new(%w[composer_home install--i installing repositories-root-only options options-1 caret-version-range])
    { "composer-home" => "composer_home", "COMPOSER_HOME" => "composer_home", "install-i" => "install--i", "install" => "install--i", "repositories" => "repositories-root-only",
      "caret-version-range-" => "caret-version-range" }.each { |name, meant| assert_equal meant, names.meant(name) }
    [ "op", "option", "", "-", "gone" ].each { |name| assert_nil names.meant(name), name }
    assert_nil LikelyNames.new(%w[set-up-one set-up-two]).meant("set-up")
    assert_nil LikelyNames.new(%w[set-up set_up set-up-one]).meant("setup")
  end

  # The same as by looking at every name.
  def test_any_names
    random = Random.new(SEED)
    generate(200) do
      names = Array.new(random.rand(8)) { Array.new(1 + random.rand(3)) { %w[salt ice deck].sample(random: random) }.join(%w[- _ --].sample(random: random)) }.uniq
      asked = Array.new(1 + random.rand(2)) { %w[salt ice deck rope].sample(random: random) }
      words = names.to_h { |name| [ name, name.scan(/[a-z]+/) ] }
      alike = words.select { |_name, each| each.join == asked.join }.keys
      begun = words.select { |_name, each| each.first(asked.size) == asked }.keys
      expected = alike.any? ? alike : (asked.join.length >= 4 ? begun : [])
      one = expected.first if expected.one?
      one ? assert_equal(one, LikelyNames.new(names).meant(asked.join("-"))) : assert_nil(LikelyNames.new(names).meant(asked.join("-")), "SEED=#{SEED}")
    end
  end
end
