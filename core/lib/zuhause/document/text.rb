module Zuhause
  module Document
    # The plain text of a tree, for searching, counting and excerpts.
    module Text
      module_function

      # @param node [Hash] any node
      # @return [String] its text, one line a block and a line's end for a hard break; what stands at the foot of the page
      #   follows the block that it belongs to
      def of(node)
        lines = [ +"" ]
        notes = []
        Walk.each(node) do |inner, ancestors|
          type = Schema::NODES.fetch(inner["type"])
          if type.group != "inline" then lines = ended(lines, notes)
          elsif type.apart? then notes << +""
          else (apart?(ancestors.last) ? notes : lines).last << type.text(inner)
          end
        end
        ended(lines, notes).reject(&:empty?).join("\n")
      end

      # @return [Integer] words, a word being a run of letters, digits and what joins them
      def words(node)
        of(node).scan(/[\p{L}\p{M}\p{N}]+(?:['’.,-][\p{L}\p{M}\p{N}]+)*/).size
      end

      def apart?(node)
        node && Schema::NODES.fetch(node["type"]).apart?
      end
      private_class_method :apart?

      def ended(lines, notes)
        lines.concat(notes)
        notes.clear
        lines.last.empty? ? lines : lines << +""
      end
      private_class_method :ended
    end
  end
end
