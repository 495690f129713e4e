require "base64"

module Zuhause
  module Markup
    # Pictures that are no "img": objects that show one, and drawings that stand in the text (HTML 5, 4.8.7 and 4.8.16), as such.
    module HTMLPictures
      IMAGES = /\.(?:svgz?|png|jpe?g|gif|webp|avif|bmp)(?:[?#]|\z)/i
      NAMESPACES = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"'.freeze
      LARGEST = 2 * 1024 * 1024 # bytes of a drawing

      module_function

      # @param root [Nokogiri::XML::Element] which is changed
      # @return [Array<String>] where links within drawings led: a picture leads nowhere
      def mend(root)
        root.css("object[data], embed[src]").each do |object|
          address = object["data"] || object["src"]
          next unless object["type"].to_s.start_with?("image/") || (object["type"].nil? && address.match?(IMAGES))

          replace(object, address, object["title"] || object["aria-label"] || object.text)
        end
        drawings = root.xpath("//*[local-name()='svg' and not(ancestor::*[local-name()='svg'])]")
        drawings.flat_map { |drawing| led_to(drawing).tap { replace(drawing, inside(drawing), words(drawing)) } }
      end

      def led_to(drawing)
        drawing.xpath(".//*[local-name()='a']/@*[local-name()='href']").map(&:value).reject(&:empty?)
      end
      private_class_method :led_to

      def replace(element, address, words)
        return unless address

        image = element.document.create_element("img", "src" => address, "alt" => words.to_s.gsub(/\s+/, " ").strip)
        image["id"] = element["id"] if element["id"]
        element.replace(image)
      end
      private_class_method :replace

      def inside(drawing)
        text = drawing.to_xml.gsub(%r{(</?)svg:}, '\1').sub(/\A<svg\b(?:\s+xmlns(?::\w+)?="[^"]*")*/, %(<svg #{NAMESPACES}))
        "data:image/svg+xml;base64,#{Base64.strict_encode64(text)}" if text.bytesize <= LARGEST
      end
      private_class_method :inside

      def words(drawing)
        drawing["aria-label"] || drawing.at_xpath("./*[local-name()='title']")&.text
      end
      private_class_method :words
    end
  end
end
