module Zuhause
  module Exchange
    # Notices in Markdown from elsewhere, which writers of documentation mark in several ways: a line of three exclamation marks with
    # what is meant set in below it, a fence of colons, a quote that begins with the bold name of one. They become quotes that name
    # their tone, which {Markup::MarkdownReader} knows.
    class MarkdownNotices
      NAMES = Markup::HTMLNotices::CLASSES.keys.join("|").freeze
      MARKED = /\A(?<indent>[ ]*)(?:!!!|\?\?\?\+?)[ ]+(?<name>#{NAMES})\b[^"\n]*(?:"(?<title>[^"]*)")?[ \t]*\z/i
      FENCED = /\A(?<indent>[ ]*):{3,}[ ]*(?:\{[ ]*\.?)?(?<name>#{NAMES})\b\}?[ ]*(?:\[(?<label>[^\]]*)\]|(?<title>[^\n{]*?))[ \t]*\z/i
      OPENED = /\A[ ]*:{3,}[ ]*\S/
      CLOSED = /\A[ ]*:{3,}[ \t]*\z/
      QUOTED = /\A(?<sign>[ ]*>[ ]?)(?<mark>\*\*|__)(?<name>#{NAMES})[:.!]?\k<mark>[:.]?[ ]*(?<rest>.*)\z/i
      CODE = /\A[ ]*(?<fence>`{3,}|~{3,})/
      TONES = { "note" => "NOTE", "tip" => "TIP", "caution" => "CAUTION", "danger" => "DANGER" }.freeze
      STEP = 4 # letters by which what belongs to a marked line is set in
      DEEPEST = 5 # within each other
      private_constant :CODE, :STEP, :DEEPEST

      # @param markdown [String] with line feeds
      # @return [String]
      def self.plain(markdown)
        return markdown unless markdown.match?(/^[ ]*(?:!!!|\?\?\?|:::|>[ ]?(?:\*\*|__))/)

        new(markdown.split("\n", -1)).plain.join("\n")
      end

      # @param depth [Integer] notices around them
      def initialize(lines, depth = 0)
        @lines, @depth = lines, depth
      end

      # @return [Array<String>] lines
      def plain
        return @lines if @depth > DEEPEST

        out, at = [], 0
        while at < @lines.size
          found, upto = read(at)
          out.concat(found)
          at = upto
        end
        out
      end

      private

      # @return [Array(Array<String>, Integer)] what stands for the line, and the place of the next one
      def read(at)
        line = @lines[at]
        if (match = CODE.match(line)) then code(at, match[:fence])
        elsif (match = MARKED.match(line)) then marked(match, at)
        elsif (match = FENCED.match(line)) && (closed = closing(at)) then [ quote(match, match[:label] || match[:title], @lines[at + 1...closed]), closed + 1 ]
        elsif (match = QUOTED.match(line)) && !(at.positive? && @lines[at - 1].match?(/\A[ ]*>/)) then [ [ "#{match[:sign]}[!#{tone(match)}]", *("#{match[:sign]}#{match[:rest]}" unless match[:rest].empty?) ], at + 1 ]
        else [ [ line ], at + 1 ]
        end
      end

      def code(at, fence)
        closed = (at + 1...@lines.size).find { |i| @lines[i].match?(/\A[ ]*#{fence[0]}{#{fence.length},}[ \t]*\z/) } || @lines.size - 1
        [ @lines[at..closed], closed + 1 ]
      end

      def marked(match, at)
        inner = /\A(?:[ ]{#{match[:indent].length + STEP}}|[ ]{#{match[:indent].length}}\t)/
        upto = (at + 1...@lines.size).find { |i| !@lines[i].match?(inner) && !@lines[i].strip.empty? } || @lines.size
        upto -= 1 while upto > at + 1 && @lines[upto - 1].strip.empty?
        [ quote(match, match[:title], @lines[at + 1...upto].map { |line| line.sub(inner, match[:indent]) }), upto ]
      end

      # The fence that closes this one; those in it are closed before.
      def closing(at)
        @closings ||= @lines.each_index.with_object([ {}, [] ]) do |i, (found, open)|
          if @lines[i].match?(CLOSED) then open.any? && found[open.pop] = i
          elsif @lines[i].match?(OPENED) then open << i
          end
        end.first
        @closings[at]
      end

      def quote(match, title, lines)
        title = nil if title.to_s.strip.empty? || title.strip.casecmp?(match[:name])
        inner = self.class.new(lines.map { |line| line.delete_prefix(match[:indent]) }, @depth + 1).plain
        [ *("" if match[:indent].empty?), "#{match[:indent]}> [!#{tone(match)}]", *([ "#{match[:indent]}> **#{title.strip}**", "#{match[:indent]}>" ] if title), *inner.map { |line| "#{match[:indent]}> #{line}".rstrip }, "" ]
      end

      def tone(match)
        TONES.fetch(Markup::HTMLNotices::CLASSES.fetch(match[:name].downcase))
      end
    end
  end
end
