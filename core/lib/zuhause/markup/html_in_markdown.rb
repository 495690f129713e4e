require "commonmarker"

module Zuhause
  module Markup
    # Markdown with HTML in it (CommonMark 0.31.2, 4.6 and 6.6), or with pictures among words: both have no place in the forms that
    # {MarkdownWriter} writes, so that whoever wrote it meant the page that it stands for. That page is read by {HTMLReader}.
    module HTMLInMarkdown
      PARSING = %i[UNSAFE STRIKETHROUGH_DOUBLE_TILDE FOOTNOTES].freeze
      EXTENSIONS = %i[strikethrough table tasklist].freeze
      # Elements of HTML 5 (4.1 to 4.13) and of its past. What is called otherwise says what is to be put in its place, as in
      # "move <file>", and stays as it was written.
      ELEMENTS = %w[a abbr acronym address article aside audio b bdi bdo big blockquote body br button canvas caption center cite code col
                    colgroup data dd del details dfn div dl dt em embed fieldset figcaption figure font footer form h1 h2 h3 h4 h5 h6 head
                    header hgroup hr html i iframe img input ins kbd label legend li link main map mark meta nav object ol p param picture
                    pre q s samp script section select small source span strike strong style sub summary sup svg table tbody td template
                    textarea tfoot th thead tr tt u ul var video wbr].to_set.freeze
      TAG = %r{\A<[/!?]?([a-z][a-z0-9-]*|!?--)}i

      module_function

      # @param markdown [String] any text
      # @param picture [#call] as {HTMLReader.read} has it
      # @param lead [#call, nil] as {HTMLReader.read} has it
      # @return [MarkdownReader::Read, nil] nil where nothing of the kind is in it, or blocks of the document's own form are
      # @raise [Document::Invalid] for more than a document can hold ({Document::Limits})
      def read(markdown, picture:, lead: nil)
        return unless markdown.match?(/<[a-z!?\/]|!\[/i) && !markdown.match?(/^:::/)

        Document::Limits.hold(:markdown, markdown.bytesize)
        GfmTable.judge(markdown)
        root = CommonMarker.render_doc(Document::Normal.clean(markdown).gsub(MarkdownReader::TOO_NESTED, '\1\\'), PARSING, EXTENSIONS)
        return unless foreign?(root)

        kept = root.walk.select { |node| node.type == :inline_html && !element?(node) }.map { |node| as_code(node) }
        read = HTMLReader.read(root.to_html(%i[UNSAFE FOOTNOTES], EXTENSIONS), picture: picture, lead: lead) { |html| mend_notices(html) }
        read.tap { read.reports.concat(kept.map { |written| MarkdownReader::Report.new(code: :html, detail: written) }) }
      end

      def foreign?(root)
        root.walk.any? do |node|
          case node.type
          when :html then true
          when :inline_html then element?(node) && !InlineReader.own?(node.string_content)
          when :image then !(node.parent.type == :paragraph && node.previous.nil? && node.next.nil?)
          end
        end
      end
      private_class_method :foreign?

      def element?(node)
        text = node.string_content
        !text.match?(/\A<[a-z\/]/i) || ELEMENTS.include?(text[TAG, 1].to_s.downcase)
      end
      private_class_method :element?

      # @return [String] what is kept
      def as_code(node)
        code = CommonMarker::Node.new(:code)
        code.string_content = node.string_content
        node.insert_before(code)
        node.delete
        code.string_content
      end
      private_class_method :as_code

      # Quotes that begin by naming a tone are notices, as {MarkdownReader} has them.
      def mend_notices(root)
        root.css("blockquote > p:first-child").each do |line|
          text = line.children.first
          match = MarkdownReader::NOTICE.match(text.text.lstrip) if text&.text?
          next unless match

          line.parent.name = "aside"
          line.parent["class"] = MarkdownReader::NOTICES.fetch(match[:name].upcase)
          text.content = match.post_match
          line.unlink if line.text.strip.empty? && line.element_children.empty?
        end
      end
      private_class_method :mend_notices
    end
  end
end
