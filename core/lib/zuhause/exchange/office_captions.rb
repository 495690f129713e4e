require "nokogiri"

module Zuhause
  module Exchange
    # Paragraphs of a word processor's document (Office Open XML) that say what a picture shows: told from others by a style alone, of
    # which a converter keeps nothing. A sign before their words says so from then on (see Markup::OfficeCaptions).
    class OfficeCaptions
      NAME = /\A(?:image |figure |picture )?caption\z/i # which programs write in English in any language
      private_constant :NAME

      # @param styles [String] the part that tells the styles
      def initialize(styles)
        rows = Nokogiri::XML(styles).xpath("//*[local-name() = 'style'][*[local-name() = 'name']]")
        @ids = rows.select { |row| value(row.at_xpath("*[local-name() = 'name']")).to_s.match?(NAME) }.filter_map { |row| attribute(row, "styleId") }.to_set
      end

      # @param xml [String]
      # @return [Boolean] whether any may stand in it
      def in?(xml)
        xml.scan(/val="([^"<>]*)"/) { |(value)| return true if @ids.include?(value) } if @ids.any?
        false
      end

      # @param root [Nokogiri::XML::Document] changed in place
      # @return [Boolean] whether anything is
      def mark(root)
        paragraphs = root.xpath("//*[local-name() = 'p']/*[local-name() = 'pPr'][*[local-name() = 'pStyle']]").select { |row| @ids.include?(value(row.at_xpath("*[local-name() = 'pStyle']"))) }
        paragraphs.each { |row| sign(row) }
        paragraphs.any?
      end

      private

      def sign(row)
        prefix = row.namespace&.prefix&.then { |name| "#{name}:" }
        row.add_next_sibling("<#{prefix}r><#{prefix}t>#{Markup::OfficeCaptions::SIGN}</#{prefix}t></#{prefix}r>")
      end

      def value(row)
        attribute(row, "val")
      end

      def attribute(row, name)
        row.attribute_nodes.find { |one| one.node_name == name }&.value
      end
    end
  end
end
