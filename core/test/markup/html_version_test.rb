require_relative "../test_helper"
require "digest"

# Kept HTML is made anew only when its version grows.
class HTMLVersionTest < Minitest::Test
  include Zuhause

  SAMPLE = <<~MARKDOWN.freeze
    # Ice {#k3j2h1g0}

    **Grit**, _salt_[^1] and <mark class="moss">sand</mark> at [the quay](https://quay.example)\\
    by [2026-12-01](date:2026-12-01).

    - One
    - [Two](page:abcdefghij)

    3. Three

    - [x] Done

    > [!DANGER]
    > Never.

    > Said.

    Bow
    :   Front.

    | a | b |
    | :-: | --- |
    | 1 | 2 |

    ```ruby
    puts 1
    ```

    ___

    ::: fold {title="More" open="true"}

    Inside.

    :::

    ::: columns

    ::: column {share="2"}

    Left.

    :::

    ::: column

    Right.

    :::

    :::

    ::: passage {name="x"}

    P.

    :::

    ::: gallery {layout="slides"}

    ::: figure {file="abcdefghij" alt="A" width="50" side="left" target="https://x.example"}

    Caption.

    :::

    :::

    ::: contents_list {depth="2"}
    :::

    [^1]: Coarse.
  MARKDOWN

  def test_the_version_grows_whenever_what_is_written_changes
    html = Markup::HTML.write(Markup::MarkdownReader.read(SAMPLE).doc)
    assert_equal [ 6, "9776bda2e5594d43" ], [ Markup::HTML::VERSION, Digest::SHA256.hexdigest(html)[0, 16] ],
                 "What is written has changed: raise HTML::VERSION, and state it here with the new digest."
  end
end
