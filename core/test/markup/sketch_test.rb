require_relative "../test_helper"

class SketchTest < Minitest::Test
  include Zuhause

  def test_every_document_is_drawn_within_its_frame
    generated = Generated.new(Random.new(SEED))
    generate(150) do
      shapes = Nokogiri::XML("<svg>#{Markup::Sketch.draw(Document.accept(generated.document).doc)}</svg>") { |config| config.strict }.root.elements
      shapes.select { |shape| shape.name == "rect" }.each do |rect|
        x, y, width, height = %w[x y width height].map { |name| rect[name].to_f }
        assert_operator x + width, :<=, Markup::Sketch::WIDTH, "SEED=#{SEED}"
        assert_operator y + height, :<=, Markup::Sketch::HEIGHT, "SEED=#{SEED}"
        assert_operator [ width, height ].min, :>, 0
      end
    end
  end

  def test_what_stands_there_shows
    drawn = Markup::Sketch.draw(Markup::MarkdownReader.read("# Head\n\n<var>who</var>\n\n- one\n- two\n\n| a | b |\n| - | - |\n| c | d |").doc)
    assert_equal [ 1, 1, 2, 4 ], [ "sketch-head", "sketch-blank", "<circle", "sketch-box" ].map { |shape| drawn.scan(shape).size }
  end
end
