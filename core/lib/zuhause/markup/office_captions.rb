module Zuhause
  module Markup
    # Paragraphs that say what the picture before them shows, by a class of their own or by the sign that Exchange::OfficeCaptions set
    # before their words: in the parsed HTML they become its caption, before that is read.
    module OfficeCaptions
      SIGN = "\u{10FFFD}".freeze # for private use, the last of all

      module_function

      # @param root [Nokogiri::XML::Node] changed in place
      def mend(root)
        [ *root.css("p.MsoCaption"), *signed(root) ].uniq.each do |paragraph|
          picture = paragraph.previous_element
          frame(picture, paragraph) if picture && alone?(picture)
        end
      end

      # @return [Array<Nokogiri::XML::Node>] paragraphs that began with the sign, which is taken out wherever it stands
      def signed(root)
        root.xpath(".//text()[contains(., '#{SIGN}')]").filter_map do |text|
          text.content = text.content.delete(SIGN)
          text.parent if text.parent.name == "p"
        end
      end

      # @return [Boolean] whether a paragraph holds one picture and no words
      def alone?(paragraph)
        paragraph.name == "p" && paragraph.css("img").one? && paragraph.text.strip.empty?
      end

      def frame(picture, paragraph)
        picture.name = "figure"
        paragraph.name = "figcaption"
        picture.add_child(paragraph)
      end
    end
  end
end
