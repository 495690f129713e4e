require "test_helper"

# Every type of node is complete: made at random, written and read, shown, in the editor and its insert menu, in words, in the
# docs. What is missing is named.
class NodeTypesTest < ActiveSupport::TestCase
  test "every type has all that belongs to it" do
    lacking = Zuhause::Document::Schema::NODES.values.to_h { |type| [ type.name, NodeTypeCheck.new(type).missing ] }
    assert_empty lacking.reject { |_name, missing| missing.empty? }
  end

  test "of a type that has nothing but its schema, all else is named" do
    bare = Class.new(Zuhause::Document::Node) { type "puddle", "inline*", group: "block" }
    assert_equal [ "a generated example", "the way to Markdown and back", "how it is shown", "the editor's block", "a place in the insert menu",
                   "its name", "its name among changes", "a word in the docs" ], NodeTypeCheck.new(bare.declared && Zuhause::Document::Node.all.pop).missing
  end

  test "whatever is written of a file of its own is one type, or few that make no sense without each other" do
    files = Rails.root.glob("core/lib/zuhause/document/nodes/*.rb").to_h { |file| [ file.basename.to_s, file.read.scan(/^\s+type "([a-z_]+)"/).flatten ] }
    assert_equal Zuhause::Document::Schema::NODES.keys.sort, files.values.flatten.sort
    assert_empty files.select { |_name, types| types.empty? || types.size > 4 }.keys
  end
end
