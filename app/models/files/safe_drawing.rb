# An SVG with nothing in it but drawing: no script, no events, no addresses outside of itself.
class SafeDrawing
  ELEMENTS = %w[svg g defs title desc path rect circle ellipse line polyline polygon text tspan textPath use symbol marker linearGradient radialGradient stop clipPath mask
                pattern filter feGaussianBlur feOffset feMerge feMergeNode feBlend feColorMatrix feFlood feComposite].to_set.freeze
  ATTRIBUTE = /\A(?!on)[a-zA-Z][a-zA-Z0-9:-]*\z/
  HARMLESS = /\A(?!.*(?:javascript|data|https?|file):)(?!.*url\((?!["']?#)).*\z/im

  # @param bytes [String]
  # @return [String] SVG
  # @raise [FileFit::Unfit]
  def self.of(bytes)
    document = Nokogiri::XML(bytes) { |config| config.nonet }
    raise FileFit::Unfit, "broken" unless document.root&.name == "svg" && document.errors.none?(&:fatal?)

    document.internal_subset&.remove
    clean(document.root)
    document.root.to_xml
  end

  def self.clean(node)
    node.children.each do |child|
      next clean(child) if child.element? && ELEMENTS.include?(child.name)

      child.remove unless child.text?
    end
    node.attribute_nodes.each { |attribute| attribute.remove unless harmless?(attribute) }
  end

  def self.harmless?(attribute)
    return attribute.value.start_with?("#") if attribute.node_name == "href"

    attribute.node_name.match?(ATTRIBUTE) && attribute.node_name != "style" && attribute.value.match?(HARMLESS)
  end
  private_class_method :clean, :harmless?
end
