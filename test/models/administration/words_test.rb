require "test_helper"

# The words on the screen, as they lie in config/locales.
class WordsTest < ActiveSupport::TestCase
  FILES = Rails.root.glob("config/locales/*/*.yml")

  test "every word is said in one file, which belongs to a subject" do
    said = FILES.flat_map { |file| leaves(YAML.load_file(file)).map { |key| [ key, file.basename.to_s ] } }
    twice = said.group_by(&:first).select { |_key, places| places.many? }
    assert_empty twice
    assert_operator said.size, :>, 1000
  end

  test "no word is said twice in a file, of which the last would count" do
    FILES.each { |file| assert_empty repeated(Psych.parse_file(file).root), file.basename.to_s }
  end

  test "the subjects of words are those of the models, and what all screens share" do
    subjects = Rails.root.glob("app/models/*/").map { |folder| folder.basename.to_s }
    assert_empty FILES.map { |file| file.basename(".yml").to_s }.uniq - subjects - %w[common]
  end

  private

  def repeated(node)
    return [] unless node.is_a?(Psych::Nodes::Mapping)

    keys, values = node.children.each_slice(2).to_a.transpose
    keys.to_a.map(&:value).tally.select { |_key, times| times > 1 }.keys + values.to_a.flat_map { |value| repeated(value) }
  end

  def leaves(tree, path = [])
    tree.is_a?(Hash) ? tree.flat_map { |key, value| leaves(value, [ *path, key ]) } : [ path.join(".") ]
  end
end
