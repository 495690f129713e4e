module Zuhause
  module Document
    # The plain text of a tree, for searching, counting and excerpts.
    module Text
      module_function

      # @param node [Hash] any node
      # @return [String] its text, one line a block and a line's end for a hard break
      def of(node)
        lines = [ +"" ]
        Walk.each(node) do |inner, _ancestors|
          case inner["type"]
          when "text" then lines.last << inner["text"]
          when "hard_break" then lines.last << "\n"
          when "date" then lines.last << inner.dig("attrs", "date").to_s
          when "mention", "page_title", "cite" then next # told anew at each view
          else lines << +"" unless lines.last.empty?
          end
        end
        lines.pop if lines.last.empty?
        lines.join("\n")
      end

      # @return [Integer] words, a word being a run of letters, digits and what joins them
      def words(node)
        of(node).scan(/[\p{L}\p{M}\p{N}]+(?:['’.,-][\p{L}\p{M}\p{N}]+)*/).size
      end
    end
  end
end
