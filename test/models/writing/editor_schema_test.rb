require "test_helper"

# What the editor knows of documents is what the core states.
class EditorSchemaTest < ActiveSupport::TestCase
  test "the editor's file is the one that the core writes" do
    assert_equal Zuhause::Document::Description.to_json, Rails.root.join("app/javascript/editor/schema.json").read, "bin/rails editor:schema writes it"
  end
end
