module Zuhause
  module Markup
    # Formulas, which pages have nothing like, as the words that they are written with: TeX where it stands beside them, otherwise the
    # signs in their order (MathML 3, 5.1 and 2.2.1; scripts of a type "math/…").
    module HTMLFormulas
      FORMULAS = "//*[local-name()='math' and not(ancestor::*[local-name()='math'])] | //script[starts-with(@type, 'math/')]".freeze
      TEX = ".//*[local-name()='annotation'][contains(@encoding, 'tex') or contains(@encoding, 'TeX')]".freeze

      module_function

      # @param root [Nokogiri::XML::Element] which is changed
      # @return [Array<String>] what each of them is kept as
      def mend(root)
        root.xpath(FORMULAS).filter_map do |formula|
          words = words(formula).gsub(/\s+/, " ").strip
          words.empty? ? formula.unlink : formula.replace(code(formula.document, words))
          words unless words.empty?
        end
      end

      def words(formula)
        formula.at_xpath(TEX)&.text || formula["alttext"] || formula.xpath(".//text()[not(ancestor::*[starts-with(local-name(), 'annotation')])]").map(&:text).join
      end
      private_class_method :words

      def code(document, words)
        document.create_element("code", words)
      end
      private_class_method :code
    end
  end
end
