require "time"

module Zuhause
  module Anchors
    # A remark on a text as an annotation of the W3C Web Annotation Data Model (2017), which others can read.
    module Annotation
      CONTEXT = "http://www.w3.org/ns/anno.jsonld".freeze
      MOTIVES = { "note" => "commenting", "proposal" => "editing", "reply" => "replying", "question" => "questioning" }.freeze

      module_function

      # @param id [String] the remark's address
      # @param source [String] the address of what it stands on: the page, or the remark that it answers
      # @param kind [String] a key of {MOTIVES}
      # @param body [String, nil] what it says
      # @param anchor [Anchor, nil] where it stands; nil for what is said to the whole
      # @param place [Integer, nil] where that begins in the whole text
      # @param point [Array(Float, Float), nil] in a picture, from its left and top edge, in hundredths
      # @param words [String, nil] that are proposed instead
      # @param by [String, nil] whose it is
      # @param at [Time]
      # @param edited [Time, nil]
      # @return [Hash] plain values
      def of(id:, source:, kind:, body:, by:, at:, edited: nil, anchor: nil, place: nil, point: nil, words: nil)
        { "id" => id, "type" => "Annotation", "motivation" => MOTIVES.fetch(kind), "creator" => ({ "type" => "Person", "name" => by } if by),
          "created" => at.utc.iso8601, "modified" => edited&.utc&.iso8601, "body" => bodies(body, words), "target" => target(source, anchor, place, point) }.compact
      end

      # @param items [Array<Hash>]
      # @return [Hash] them as one collection
      def collection(id, items)
        { "@context" => CONTEXT, "id" => id, "type" => "AnnotationPage", "items" => items }
      end

      def bodies(body, words)
        said = ({ "type" => "TextualBody", "value" => body, "format" => "text/plain" } if body)
        instead = ({ "type" => "TextualBody", "value" => words, "format" => "text/plain", "purpose" => "editing" } if words)
        [ said, instead ].compact.then { |all| all.one? ? all.first : all }
      end
      private_class_method :bodies

      def target(source, anchor, place, point)
        return source unless anchor

        { "source" => source, "selector" => selectors(anchor, place, point) }
      end
      private_class_method :target

      # The block by its place in the page's HTML, what is quoted with what stands around it, and where that is in the text.
      def selectors(anchor, place, point)
        block = { "type" => "FragmentSelector", "value" => "b-#{anchor.block}" }
        block["refinedBy"] = { "type" => "FragmentSelector", "conformsTo" => "http://www.w3.org/TR/media-frags/", "value" => "xywh=percent:#{point.join(",")},0,0" } if point
        return [ block ] if anchor.whole?

        [ block, { "type" => "TextQuoteSelector", "exact" => anchor.exact, "prefix" => anchor.prefix, "suffix" => anchor.suffix },
          ({ "type" => "TextPositionSelector", "start" => place, "end" => place + anchor.length } if place) ].compact
      end
      private_class_method :selectors
    end
  end
end
