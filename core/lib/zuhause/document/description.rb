module Zuhause
  module Document
    # What the editor has to know of documents, in plain values: kept beside it as schema.json, so that nothing is stated in
    # two languages.
    module Description
      module_function

      # @return [Hash] that can be written as JSON
      def to_h
        {
          "ids" => { "letters" => Ids::LETTERS.join, "block" => Ids::LENGTH, "public" => Ids::PUBLIC_LENGTH },
          "longestTitle" => Title::LENGTH.end, "headingLevels" => Schema::HEADING_LEVELS.to_a, "tones" => Schema::TONES, "colours" => Schema::COLOURS,
          "nodes" => Schema::NODES.transform_values { |node| { "content" => node.expression, "group" => node.group, "attrs" => node.attrs.transform_values(&:default), "marks" => node.marks } },
          "marks" => Schema::MARKS.transform_values { |mark| { "attrs" => mark.attrs.transform_values(&:default) } }
        }
      end

      # @return [String] JSON, as it is kept
      def to_json(*)
        "#{JSON.pretty_generate(to_h)}\n"
      end
    end
  end
end
