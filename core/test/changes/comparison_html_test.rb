require_relative "../test_helper"

class ComparisonHTMLTest < Minitest::Test
  include Zuhause

  def test_one_column_shows_both_texts
    assert_equal [ "<p>Same.</p>",
                   "<div class=\"change change-changed\" data-change=\"1\">[changed]<p>Salt <ins>bites &amp; </ins>eats bolts quickly.</p></div>",
                   "<div class=\"change change-added\" data-change=\"2\">[added]<p>New.</p></div>" ], write(:both)
  end

  def test_each_side_alone
    assert_equal [ "<p>Same.</p>", "<div class=\"change change-changed\" data-change=\"1\">[changed]<p>Salt eats bolts quickly.</p></div>", nil ], write(:old)
    assert_equal "<div class=\"change change-added\" data-change=\"2\">[added]<p>New.</p></div>", write(:new).last
  end

  def test_items_are_marked_in_their_list
    html = write(:both, "- one\n- two", "- one\n- three and <b>").join
    assert_equal "<ul><li><p>one</p></li><li class=\"change change-removed\" data-change=\"3\">[removed]<p>two</p></li>" \
                 "<li class=\"change change-added\" data-change=\"5\">[added]<p>three and <code>&lt;b&gt;</code></p></li></ul>", html
  end

  def test_columns_stay_as_many_as_they_are
    columns = ->(words) { "::: columns\n\n#{words.map { |word| "::: column\n\n#{word}\n\n:::\n\n" }.join}:::" }
    { [ %w[a b c], %w[a b d] ] => 3, [ %w[a b], %w[a c] ] => 2, [ %w[a b], %w[a b c] ] => 3 }.each do |(old, new), count|
      assert_includes write(:new, columns.call(old), columns.call(new)).join, %(class="columns columns-#{count}")
    end
  end

  def test_generated_comparisons_are_written_without_live_code
    random = Random.new(SEED)
    generate(100) do
      docs = Array.new(2) { Document.accept(Generated.new(random).document, random: random).doc }
      %i[both old new].each do |side|
        html = Markup::ComparisonHTML.write(Changes::Comparison.new(*docs), label: ->(e) { "[#{e.kind}]" }, side: side).join
        refute_match(/<b>|<script/, html)
      end
    end
  end

  private

  def write(side, old = "Same.\n\nSalt eats bolts quickly.", new = "Same.\n\nSalt bites & eats bolts quickly.\n\nNew.")
    docs = [ old, new ].map { |markdown| Markup::MarkdownReader.read(markdown).doc }
    Markup::ComparisonHTML.write(Changes::Comparison.new(*docs), label: ->(entry) { "[#{entry.kind}]" }, side: side)
  end
end
