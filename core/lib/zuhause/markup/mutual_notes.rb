module Zuhause
  module Markup
    # Notes at the foot that nothing names as such: a number behind words of the text leads to the same number further down, which
    # leads back. So office programs write them, and many that make HTML of print.
    class MutualNotes
      SIGN = /\A[\[(]?(\d{1,4}|[*†‡§¶]{1,3})[\])]?\.?\z/
      HOLDERS = %w[p li dd td div aside].freeze
      NO_NOTE = "h1, h2, h3, h4, h5, h6, table, pre, ul, ol, dl, hr".freeze

      # @param root [Nokogiri::XML::Node] changed in place: each note gets the id that leads to it, and loses its way back
      # @return [Array<Nokogiri::XML::Element>] the notes
      def self.found(root)
        new(root).found
      end

      def initialize(root)
        @links = root.css("a[href^='#']").select { |link| link.text.strip.match?(SIGN) }
        @by_name = @links.each_with_object({}) { |link, found| names(link).each { |name| found[name] ||= link } }
      end

      def found
        notes = pairs.filter_map { |reference, back| (note = note_of(back)) && !within?(reference, note) && [ reference, back, note ] }
        notes.uniq { |_reference, _back, note| note }.map do |reference, back, note|
          note["id"] = reference["href"].delete_prefix("#")
          back.unlink
          note
        end
      end

      private

      # What stands in the text first is the reference; it stands behind words, which an entry of a contents list does not.
      def pairs
        met = Set.new.compare_by_identity
        @links.filter_map do |link|
          other = @by_name[link["href"].delete_prefix("#")]
          next if other.nil? || other.equal?(link) || met.include?(link) || sign(link) != sign(other) || !names(link).include?(other["href"].delete_prefix("#"))

          met << other
          around = holder(link)
          [ link, other ] if around && !begins?(around, link)
        end
      end

      # Its own, and that of what raises it.
      def names(link)
        [ link["id"], link["name"], (link.parent["id"] if %w[sup span].include?(link.parent&.name)) ].compact
      end

      def sign(link)
        link.text.strip[SIGN, 1]
      end

      # What begins with the number: the paragraph, or a box around it that holds this note alone.
      def note_of(back)
        element = holder(back)
        return unless element && begins?(element, back)

        box = element.parent
        return box if box&.element? && box.name == "div" && begins?(box, back) && box.at_css(NO_NOTE).nil? && box.css("a[href^='#']").count { |link| link.text.strip.match?(SIGN) } == 1

        element unless element.at_css(NO_NOTE)
      end

      def holder(link)
        element = link.parent
        element = element.parent while element&.element? && !HOLDERS.include?(element.name)
        element if element&.element?
      end

      def begins?(element, link)
        first = first_text(element)
        !first.nil? && within?(first, link)
      end

      def first_text(element)
        element.children.each do |child|
          found = child.text? ? (child unless child.blank?) : first_text(child)
          return found if found
        end
        nil
      end

      def within?(node, element)
        node = node.parent until node.nil? || node.document? || node.equal?(element)
        node.equal?(element)
      end
    end
  end
end
