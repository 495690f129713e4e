# A template that comes with the house, written as Markdown in config/page_templates.
class ShippedTemplate
  FOLDER = Rails.root.join("config/page_templates")

  attr_reader :key, :title, :description, :icon, :document

  # @return [Array<ShippedTemplate>] in their order
  def self.all
    @all ||= FOLDER.glob("*.md").sort.map { |path| new(path) }
  end

  def initialize(path)
    front, text = path.read.match(/\A---\n(.*?)\n---\n(.*)\z/m).captures
    @key = path.basename(".md").to_s.sub(/\A\d+_/, "")
    @title, @description, @icon = YAML.safe_load(front).values_at("title", "description", "icon")
    @document = Zuhause::Markup::MarkdownReader.read(text).doc
  end
end
