module Zuhause
  module Markup
    # Ids in Markdown. A line of text ends with +{#id}+, its own block's id; blocks that begin with this one and
    # have no line of their own (lists, items, quotes) follow from the inside out, each as +^id+, a bare +^+ being one
    # without an id: +- Clear the tread {#k3j2h1g0 ^a1b2c3d4 ^q9w8e7r6}+. An empty +{}+ ends a line whose end
    # would otherwise be lost or misread.
    module Trailer
      PATTERN = /(?:\A|[ \n])\{(?:#(?<own>[a-z0-9]{8}))?(?<around>(?: ?\^(?:[a-z0-9]{8})?)*)\}[ \t]*\z/

      Ids = Struct.new(:own, :around, keyword_init: true)

      module_function

      # @param own [String, nil] the block's id
      # @param around [Array<String, nil>] ids of blocks that begin with it, from the inside out
      # @return [String, nil] the trailer, or nil if there is no id to tell
      def write(own, around)
        around = around[0..(around.rindex(&:itself) || -1)] if around.any?
        around = [] if around.none?
        return if own.nil? && around.empty?

        "{#{[ own && "##{own}", *around.map { |id| "^#{id}" } ].compact.join(" ")}}"
      end

      # @param text [String] the end of a block's text
      # @return [Array(String, Ids)] the text without its trailer, and the ids that it told; nil ids if it had none
      def split(text)
        match = PATTERN.match(text) or return [ text, nil ]

        around = match[:around].scan(/\^([a-z0-9]{8})?/).flatten
        [ match.pre_match, Ids.new(own: match[:own], around: around) ]
      end
    end
  end
end
