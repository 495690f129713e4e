module Zuhause
  module Document
    module Nodes
      class CodeBlock < Node
        LANGUAGE = /(?:\A|\s)(?:lang(?:uage)?-)([\w+#.-]{1,40})(?=\s|\z)/ # in an element's classes (HTML 5, 4.5.15)

        type "code_block", "text*", group: "block", marks: false, attrs: { "language" => Attr.matching(/\A[\w+#.-]{1,40}\z/) }

        def html(node, html)
          language = node.dig("attrs", "language")
          html.element("pre", node, "<code>#{html.code(node, language)}</code>", %( class="code" tabindex="0"#{%( data-language="#{CGI.escapeHTML(language)}") if language}))
        end

        def sketch(node, sketch, x, width)
          sketch.framed(node, x, width)
        end

        def markdown(node, around, writer, _alternate)
          text = (node["content"] || []).map { |inner| inner["text"] }.join
          fence = "`" * [ 3, (text.scan(/`+/).map(&:size).max || 0) + 1 ].max
          language = node.dig("attrs", "language")
          info = [ language, writer.trailer(node, around) ].compact
          opening = info.empty? ? fence : "#{fence}#{" " unless language}#{info.join(" ")}"
          [ opening, *(text.empty? ? [] : text.split("\n", -1)), fence ]
        end

        def elements
          %w[pre]
        end

        def read(element, reader, _depth, _marks)
          links_out(element).each { |address| reader.report(:code_link, address) }
          language = [ element["class"], element.at_xpath("./code")&.[]("class") ].compact.join(" ")[LANGUAGE, 1]
          text = element.xpath(".//text() | .//br").map { |piece| piece.name == "br" ? "\n" : piece.text }.join.chomp
          code = { "type" => name }
          code["attrs"] = { "language" => language } if language
          [ text.empty? ? code : code.merge("content" => [ { "type" => "text", "text" => text } ]) ]
        end

        private

        # Code bears no marks. Numbers of lines, which lead to themselves, are no loss.
        def links_out(element)
          element.xpath(".//a[@href]").reject { |link| link["href"].start_with?("#") || link.text.strip.empty? }.map { |link| link["href"] }
        end
      end
    end
  end
end
