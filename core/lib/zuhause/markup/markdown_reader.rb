require "commonmarker"

module Zuhause
  module Markup
    # Reads Markdown into a document. Any text can be read; what is not understood becomes text or code and is
    # reported.
    class MarkdownReader
      # What {read} answers: the document in normal form (ids as far as the text tells them), and what could not be
      # kept as it was.
      Read = Struct.new(:doc, :reports, keyword_init: true)
      # +code+ (Symbol): :html, :picture, :target, :heading_level, :code_info or :too_deep; +detail+ (String): the text concerned.
      Report = Struct.new(:code, :detail, keyword_init: true)

      NOTICES = { "NOTE" => "note", "TIP" => "tip", "IMPORTANT" => "note", "CAUTION" => "caution",
                  "WARNING" => "caution", "DANGER" => "danger" }.freeze
      NOTICE = /\A\[!(?<name>#{NOTICES.keys.join("|")})\](?<trailer>[ \t]*\{[^}\n]*\})?[ \t]*(?:\n|\z)/i
      DIVIDER = /\A::: divider(?<trailer> \{[^}\n]*\})?\n:::\z/
      # The parser recurses, and fails some thousand levels down.
      MAX_NESTING = 100
      MARKER = /[ \t]*(?:>|[-+*][ \t]|\d{1,9}[.)][ \t])/
      TOO_NESTED = /^((?:#{MARKER.source}){#{MAX_NESTING}})(?=#{MARKER.source})[ \t]*/

      # @param markdown [String] any text
      # @return [Read]
      def self.read(markdown)
        new(markdown).read
      end

      def initialize(markdown)
        @markdown = Document::Normal.clean(markdown)
        @reports = []
      end

      def read
        text = Escapes.protect(@markdown.gsub(TOO_NESTED) { report(:too_deep, "") && "#{Regexp.last_match(1)}\\" })
        root = CommonMarker.render_doc(text, %i[UNSAFE STRIKETHROUGH_DOUBLE_TILDE], %i[strikethrough])
        nodes = blocks(root, 1).map(&:first)
        nodes = [ { "type" => "paragraph" } ] if nodes.empty?
        doc, = Document::Normal.form({ "type" => "doc", "content" => nodes })
        Read.new(doc: doc, reports: @reports)
      end

      private

      # Every method that reads a block gives pairs: the node, and the ids of blocks around that begin with it.
      def blocks(parent, depth)
        parent.each.flat_map { |node| block(node, depth) }
      end

      def block(node, depth)
        case node.type
        when :paragraph then [ paragraph(node) ]
        when :header then [ heading(node) ]
        when :code_block then [ code(node) ]
        when :hrule then [ [ { "type" => "divider" }, [] ] ]
        when :html then [ html(node) ]
        when :blockquote then nested(node, depth, 1) { quote(node, depth) }
        when :list then nested(node, depth, 2) { list(node, depth) }
        else blocks(node, depth)
        end
      end

      # Containers too deep to keep give way to what is in them.
      def nested(node, depth, levels)
        return [ yield ] if depth + levels <= Document::Schema::MAX_DEPTH

        report(:too_deep, "")
        leaves = []
        stack = [ node ]
        while (inner = stack.pop)
          if %i[blockquote list list_item].include?(inner.type)
            stack.concat(inner.each.to_a.reverse)
          else
            leaves.concat(block(inner, depth))
          end
        end
        leaves.empty? ? [ [ { "type" => "paragraph" }, [] ] ] : leaves
      end

      def paragraph(node)
        inline = InlineReader.new(node, method(:report)).nodes
        divider(inline) || textblock({ "type" => "paragraph" }, inline)
      end

      def divider(inline)
        text = inline.first&.fetch("text", nil)
        match = inline.one? && inline.first["marks"].nil? && DIVIDER.match(text) or return

        _rest, ids = Trailer.split(match[:trailer].to_s)
        with_ids({ "type" => "divider" }, ids)
      end

      def heading(node)
        level = node.header_level
        report(:heading_level, level.to_s) if level > Document::Schema::HEADING_LEVELS.end
        inline = InlineReader.new(node, method(:report)).nodes
        inline = inline.map { |inner| inner["type"] == "hard_break" ? { "type" => "text", "text" => " " } : inner }
        level = [ level, Document::Schema::HEADING_LEVELS.end ].min
        textblock({ "type" => "heading", "attrs" => { "level" => level } }, inline)
      end

      def textblock(block, inline)
        ids = nil
        last = inline.last
        if last && last["type"] == "text" && last["marks"].nil?
          text, ids = Trailer.split(last["text"])
          inline = inline[0...-1] + (text.empty? ? [] : [ last.merge("text" => text) ])
        end
        content = inline.map { |node| node["text"] ? node.merge("text" => Escapes.restore(node["text"])) : node }
        with_ids(content.empty? ? block : block.merge("content" => content), ids)
      end

      def with_ids(block, ids)
        return [ block, [] ] unless ids

        block = block.merge("attrs" => { "id" => ids.own }.merge(block["attrs"] || {})) if ids.own
        [ block, ids.around ]
      end

      def code(node)
        info, ids = Trailer.split(node.fence_info.to_s)
        language, rest = info.strip.split(/\s+/, 2)
        language, rest = nil, info unless language.nil? || Document::Schema::NODES["code_block"].attrs["language"].allows?(language)
        report(:code_info, rest) if rest
        block = { "type" => "code_block" }
        block["attrs"] = { "language" => language } if language
        with_ids(block.merge(code_content(node)), ids)
      end

      def html(node)
        report(:html, node.string_content)
        [ { "type" => "code_block", "attrs" => { "language" => "html" } }.merge(code_content(node)), [] ]
      end

      def code_content(node)
        text = Escapes.restore_code(node.string_content).chomp
        text.empty? ? {} : { "content" => [ { "type" => "text", "text" => text } ] }
      end

      def list(node, depth)
        items = node.each.map { |item| container({ "type" => "list_item" }, blocks(item, depth + 2)) }
        ordered = node.list_type == :ordered_list
        list = { "type" => ordered ? "ordered_list" : "bullet_list" }
        list["attrs"] = { "start" => node.list_start } if ordered && node.list_start != 1
        container(list, items)
      end

      def quote(node, depth)
        notice(node, depth) || container({ "type" => "quote" }, blocks(node, depth + 1))
      end

      def notice(node, depth)
        first = node.first_child
        return unless first&.type == :paragraph

        opening, *inline = InlineReader.new(first, method(:report)).nodes
        match = opening && opening["marks"].nil? && NOTICE.match(opening["text"].to_s) or return

        inline.unshift({ "type" => "text", "text" => match.post_match }) unless match.post_match.empty?
        children = node.each.drop(1).flat_map { |child| block(child, depth + 1) }
        children.unshift(textblock({ "type" => "paragraph" }, inline)) unless inline.empty? && children.any?
        _rest, ids = Trailer.split(match[:trailer].to_s)
        block = { "type" => "notice", "attrs" => { "tone" => NOTICES.fetch(match[:name].upcase) } }
        with_ids(block.merge("content" => children.map(&:first)), ids)
      end

      # A container takes its own id from what its first child was told of the blocks around it.
      def container(node, children)
        around = children.first&.last || []
        own, *rest = around
        node = node.merge("attrs" => { "id" => own }.merge(node["attrs"] || {})) if own
        content = children.map(&:first)
        content = [ { "type" => "paragraph" } ] if content.empty?
        [ node.merge("content" => content), rest ]
      end

      def report(code, detail)
        @reports << Report.new(code: code, detail: detail.to_s[0, 200])
        true
      end
    end
  end
end
