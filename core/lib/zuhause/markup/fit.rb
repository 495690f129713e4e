module Zuhause
  module Markup
    # Makes blocks fit a container that holds only certain ones: what may not stand there is put into what may, or gives
    # way to what is in it.
    module Fit
      WRAPPERS = { "task_list" => "task", "table" => "row", "row" => "cell", "columns" => "column" }.freeze

      module_function

      # @param name [String] a container's type
      # @param blocks [Array<Hash>]
      # @yieldparam code [Symbol] :misplaced, where something had to be changed
      # @return [Array<Hash>, nil] what it can hold; nil if it cannot be
      def into(name, blocks, &report)
        content = Document::Schema::NODES.fetch(name).content
        fitting = blocks.flat_map { |block| Document::Schema.fits?(block["type"], content) ? [ block ] : changed(name, block, &report) }
        fitting = [ { "type" => "paragraph" } ] if fitting.empty? && content.names.intersect?(%w[block paragraph])
        return if fitting.size < content.min || (content.max && fitting.size > content.max)

        fitting
      end

      # @param inline [Array<Hash>]
      # @return [Array<Hash>] what of it a heading or a term can hold: its text, with what would stand at the foot in brackets
      def text(inline)
        inline.flat_map do |node|
          case node["type"]
          when "text" then [ node ]
          when "hard_break" then [ plain(" ") ]
          when "footnote" then [ plain(" ("), *text(node["content"] || []), plain(")") ]
          else [ plain(Document::Schema::NODES.fetch(node["type"]).text(node)) ]
          end
        end.reject { |node| node["text"].empty? }
      end

      def plain(text)
        { "type" => "text", "text" => text }
      end
      private_class_method :plain

      def changed(name, block, &report)
        return [] if block["type"] == "divider" # there is nothing on either side of it that it could divide

        report.call(:misplaced)
        wrapper = WRAPPERS[name]
        return unwrapped(name, block, &report) unless wrapper

        inner = into(wrapper, [ block ], &report)
        inner ? [ { "type" => wrapper, "content" => inner } ] : []
      end
      private_class_method :changed

      def unwrapped(name, block, &report)
        type = Document::Schema::NODES.fetch(block["type"])
        return [ { "type" => "paragraph", "attrs" => block["attrs"]&.slice("id"), "content" => block["content"] }.compact ] if type.textblock?

        (block["content"] || []).flat_map { |child| into(name, [ child ], &report) || [] }
      end
      private_class_method :unwrapped
    end
  end
end
