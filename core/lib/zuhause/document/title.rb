module Zuhause
  module Document
    # The rules for titles of pages.
    module Title
      LENGTH = (1..200)

      module_function

      # @param text [Object] what somebody typed
      # @return [String] without control characters, with single spaces
      def clean(text)
        Normal.clean(text.to_s).gsub(/[[:space:]]+/, " ").strip
      end

      # @param title [String] a cleaned title
      # @return [Symbol, nil] what is wrong with it: :blank, :too_long or nothing
      def problem(title)
        return :blank if title.empty?

        :too_long if title.length > LENGTH.end
      end

      # @return [String] the form in which two spellings of one title are equal (Unicode NFKC, case folded)
      def normalise(title)
        clean(title).unicode_normalize(:nfkc).downcase(:fold)
      end

      # @return [String] the readable part of an address: lower case ASCII letters and digits joined by hyphens
      def slug(title)
        plain = title.unicode_normalize(:nfkd).gsub(/\p{M}/, "").downcase.gsub("ß", "ss").gsub("æ", "ae").gsub("ø", "o")
        plain.gsub(/[^a-z0-9]+/, "-").gsub(/\A-+|-+\z/, "")[0, 60].sub(/-+\z/, "")
      end
    end
  end
end
