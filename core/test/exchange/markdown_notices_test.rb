require_relative "../test_helper"

class MarkdownNoticesTest < Minitest::Test
  include Zuhause

  def test_lines_of_exclamation_marks
    assert_equal [ [ "caution", "Mind the gap\nTwo\nthree" ], [ "paragraph", "After." ] ], read("!!! warning \"Mind the gap\"\n    Two\n\n    - three\n\nAfter.")
    assert_equal [ [ "note", "One" ], [ "paragraph", "Two" ] ], read("??? note\n    One\nTwo")
    assert_equal [ [ "paragraph", "!!! what" ] ], read("!!! what")
  end

  def test_fences_of_colons
    assert_equal [ [ "tip", "One\nTwo" ], [ "paragraph", "Three" ] ], read(":::tip\nOne\n\nTwo\n:::\nThree")
    assert_equal [ [ "danger", "No fire\nOne" ] ], read("::: danger No fire\nOne\n:::")
    assert_equal [ [ "note", "One\nTwo" ] ], read(":::: {.note}\nOne\n\n::: tip\nTwo\n:::\n::::")
    assert_equal [ [ "paragraph", ":::tip One" ] ], read(":::tip\nOne"), "never closed"
  end

  def test_quotes_that_begin_with_a_name
    assert_equal [ [ "note", "One Two" ] ], read("> **Note:** One\n> Two")
    assert_equal [ [ "caution", "One" ] ], read("> __Warning__\n> One")
    assert_equal [ [ "quote", "Mind this: Note: two" ] ], read("> Mind this:\n> **Note:** two")
  end

  def test_code_and_everything_else_stays
    [ "```\n!!! note\n    x\n```", "~~~~\n:::tip\nx\n:::\n~~~~", "a ::: note", "::: notice {tone=\"tip\"}\n\nx\n\n:::", "> said **Note:**", "" ].each { |text| assert_equal text, Exchange::MarkdownNotices.plain(text) }
  end

  def test_any_text_in_bounded_time
    ends do
      [ ":::note\n" * 100_000, "#{":::note\n" * 3000}#{":::\n" * 3000}", "!!! note\n" * 100_000, (0..300).map { |i| "#{" " * i * 4}!!! note\n" }.join, "> **Note**\n" * 50_000 ].each { |text| assert_kind_of String, Exchange::MarkdownNotices.plain(text) }
    end
  end

  private

  def read(text)
    Markup::MarkdownReader.read(Exchange::MarkdownNotices.plain(text)).doc["content"].map { |node| [ node["type"] == "notice" ? node.dig("attrs", "tone") || "note" : node["type"], Document::Text.of(node) ] }
  end
end
