module ArrivalsHelper
  # A text that was brought in, as it will be; pictures are named, since they belong to no page yet.
  #
  # @param text [ArrivedText]
  # @return [ActiveSupport::SafeBuffer]
  def arrived_html(text)
    leaf = lambda do |node|
      next Zuhause::Markup::HTML::PLAIN_LEAF.call(node) unless node["type"] == "figure"

      tag.p(t("arrivals.show.picture", alt: node.dig("attrs", "alt").presence || "–"), class: "insert-none")
    end
    Zuhause::Markup::HTML.write(text.document, tones: ShownDocument.tones, leaf: leaf).html_safe
  end
end
