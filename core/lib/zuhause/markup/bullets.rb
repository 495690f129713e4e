module Zuhause
  module Markup
    # Lists in plain text whose items begin with bullets that Markdown does not know, as they come from documents that were
    # laid out: they are given Markdown's sign, nested as they are set in or, where none is, as their bullets differ.
    module Bullets
      LINE = /\A(?<indent>[ \t\u00a0]*)(?<bullet>[•◦▪▫●○■□‣⁃·])[ \t\u00a0]+(?<text>.*)\z/
      TAB = 4

      module_function

      # @param text [String]
      # @return [String] Markdown; the text itself if it holds no such list
      def to_markdown(text)
        lines = text.lines(chomp: true)
        found = lines.map { |line| LINE.match(line) }
        return text if found.none?

        steps = places(found.compact.map { |match| width(match[:indent]) }.uniq.sort)
        bullets = places(found.compact.map { |match| match[:bullet] }.uniq)
        lines.zip(found).map do |line, match|
          match ? "#{"  " * (steps.one? ? bullets[match[:bullet]] : steps[width(match[:indent])])}- #{match[:text]}" : line
        end.join("\n")
      end

      # How deep each stands: no deeper than a document can hold.
      def places(steps)
        steps.each_with_index.to_h { |step, i| [ step, [ i, Document::Schema::MAX_DEPTH ].min ] }
      end
      private_class_method :places

      def width(indent)
        indent.gsub("\t", " " * TAB).length
      end
      private_class_method :width
    end
  end
end
