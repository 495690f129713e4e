module Zuhause
  module Exchange
    # Tools for documentation lay the source of a text beside what they make of it, or in a folder of sources. It says the same once
    # more, in signs that nobody here reads.
    module Sources
      PLAIN = /\.te?xt\z/i
      MARKUP = /\.(?:rst|rest|adoc|asciidoc|asc|md|markdown|textile|pod|texi)\z/i
      MADE = /\.x?html?\z/i
      FOLDER = /\A_?(?:sources?|src)\z/i
      WORD = /[[:alnum:]]{3,}/
      NEARLY_ALL = 0.9 # of at least MANY in a folder of sources: the others are as well, though they say little themselves
      MANY = 10
      SHARE = 0.8 # of the different words of the source: it also holds what steers the tool

      module_function

      # @param paths [Array<String>] of files that came together
      # @return [Hash{String=>String}] what may have been made of a text, by the path of the text
      def made_of(paths)
        made = paths.grep(MADE).group_by { |path| name(path.sub(MADE, "")) }
        paths.grep(PLAIN).to_h { |path| [ path, made[name(path.sub(PLAIN, "").sub(MARKUP, ""))]&.first ] }.compact
      end

      # @param source [String]
      # @param made [String] as HTML
      # @return [Boolean] whether it says what the source does
      def same?(source, made)
        words, there = [ source, made ].map { |text| text.scan(WORD).to_set(&:downcase) }
        words.any? && (words & there).size >= SHARE * words.size
      end

      # @param paths [Array<String>] of texts of which something may have been made
      # @param same [Array<String>] those of them that say the same as that
      # @return [Array<String>] those that are sources: these, and what lies in a folder of hardly anything else
      def among(paths, same)
        known = same.to_set
        apart = paths.group_by { |path| path[/\A.*?(?<=\A|\/)_?(?:sources?|src)(?=\/)/i] }
        apart.flat_map do |folder, all|
          there = all.select { |path| known.include?(path) }
          folder && all.size >= MANY && there.size >= NEARLY_ALL * all.size ? all : there
        end
      end

      def name(path)
        *folders, name = path.split("/")
        [ *folders.grep_v(FOLDER), name ].join("/").downcase
      end
      private_class_method :name
    end
  end
end
