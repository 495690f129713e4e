# What a type of node still lacks for writers and readers, in words.
class NodeTypeCheck
  EDITOR = Rails.root.glob("app/javascript/editor/blocks/*.js").to_h { |file| [ file.basename.to_s, file.read ] }.freeze
  STYLES = Rails.root.glob("app/assets/tailwind/*.css").map(&:read).join.freeze
  DOCS = Rails.root.join("docs/document-format.md").read.freeze
  # What is there by typing.
  TYPED = %w[doc paragraph text hard_break].freeze
  SAMPLES = 300

  # Documents made at random, as the core's tests have them: by type one that holds it.
  def self.samples
    @samples ||= begin
      require Rails.root.join("core/test/support/generated")
      random = Random.new(SEED)
      SAMPLES.times.each_with_object({}) do |_, found|
        doc = Zuhause::Document.accept(Generated.new(random).document, random: random).doc
        Zuhause::Document::Walk.each(doc) { |node, _ancestors| found[node["type"]] ||= doc }
      end
    end
  end

  def initialize(type)
    @type = type
    @name = type.name
  end

  # @return [Array<String>]
  def missing
    { "a generated example" => sample, "the way to Markdown and back" => sample && read_back?, "how it is shown" => shown?, "the editor's block" => block,
      "a place in the insert menu" => insertable?, "its name" => words?, "its name among changes" => counted?, "a word in the docs" => DOCS.include?("`#{@name}`") }.reject { |_what, there| there }.keys
  end

  private

  def sample
    self.class.samples[@name]
  end

  def read_back?
    Zuhause::Markup::MarkdownReader.read(Zuhause::Markup::MarkdownWriter.write(sample)).doc == sample
  end

  # By elements of its own, by a class that has a style, or anew at each view.
  def shown?
    return Leaves.const_defined?(@name.camelize) if held?

    TYPED.include?(@name) || @type.method(:html).owner != Zuhause::Document::Node || STYLES.match?(/\.#{@name.tr("_", "-")}\b/)
  end

  def held?
    html = @type.html({ "type" => @name, "content" => @type.leaf? ? nil : [] }.compact, Zuhause::Markup::HTML.new({}, nil, ShownPieces::HOLD_LEAF))
    html.include?("<x-leaf")
  rescue NoMethodError
    false
  end

  def block
    EDITOR.values.find { |text| text.match?(/"#{@name}"/) } || (EDITOR.values.find { |text| text.include?("@tiptap/extension-") } if TYPED.include?(@name))
  end

  def insertable?
    TYPED.include?(@name) || (block && (@type.group.nil? || block.match?(/^export const inserts/)))
  end

  def words?
    I18n.exists?("document.nodes.#{@name}")
  end

  def counted?
    !@type.block? || %w[one other].all? { |number| I18n.exists?("changes.counts.#{@name}.#{number}") }
  end
end
