module Zuhause
  module Talk
    # What somebody says: plain text in which people are named and pages and sites are linked to. People and pages are kept as
    # what they are (+person:<id>+, +page:<id>+, see Links::Target), not as they are called.
    module Words
      # A stretch: +kind+ is :text, :person, :page or :site; +value+ the words, the target's value, or the address; +block+ of
      # a page target.
      Part = Struct.new(:kind, :value, :block)

      TARGET = /(?<![\p{L}\p{N}])(?:person:[a-z0-9]{10}|page:[a-z0-9]{10}(?:#[a-z0-9]{8})?)(?![a-z0-9#])/
      SITE = %r{\bhttps?://[^\s<>"]+[^\s<>".,;:!?)\]]}
      private_constant :TARGET, :SITE

      module_function

      # @param text [String] as it is kept
      # @return [Array<Part>] in order
      def parts(text)
        return [ Part.new(:text, text) ] unless text.include?(":") # as most do

        text.split(/(#{TARGET}|#{SITE})/o).reject(&:empty?).map { |part| part_of(part) }
      end

      # @param text [String] as it was typed
      # @param people [Array<Array(String, String)>] names with public ids of those who can be named
      # @param inward [#call] takes an address, gives the target it has inside this house, or nil
      # @return [String] as it is kept
      def keep(text, people: [], inward: ->(_address) { })
        sites = clean(text).gsub(SITE) { |address| inward.call(address)&.to_s || address }
        ids = people.group_by { |name, _id| name.downcase }.transform_values { |all| all.map(&:last) }
        names = ids.keys.reject(&:empty?).sort_by { |name| -name.length }
        return sites if names.empty?

        # Of two who are called the same none is meant.
        sites.gsub(/(?<![\p{L}\p{N}])@(#{Regexp.union(names).source})(?![\p{L}\p{N}])/i) do |found|
          meant = ids.fetch(found.delete_prefix("@").downcase, [])
          meant.one? ? "person:#{meant.first}" : found
        end
      end

      # @param text [String] as it is kept
      # @yieldparam id [String] of a person
      # @yieldreturn [String, nil] the name
      # @return [String] as it can be typed again
      def typed(text)
        text.gsub(/(?<![\p{L}\p{N}])person:([a-z0-9]{10})(?![\p{L}\p{N}])/) { (name = yield(Regexp.last_match(1))) ? "@#{name}" : Regexp.last_match(0) }
      end

      # @return [Array<String>] public ids of those who are named
      def people(text)
        parts(text).select { |part| part.kind == :person }.map(&:value).uniq
      end

      # @return [String] the text without what nobody can see, lines kept
      def clean(text)
        text.to_s.scrub("").gsub(/\r\n?/, "\n").gsub(/[[:cntrl:]&&[^\n\t]]/, "").gsub(/\n{3,}/, "\n\n").strip
      end

      def part_of(part)
        target = Links::Target.parse(part) if part.match?(/\A#{TARGET}\z/o)
        return Part.new(target.kind, target.value, target.block) if target

        Part.new(part.match?(/\A#{SITE}\z/o) ? :site : :text, part)
      end
      private_class_method :part_of
    end
  end
end
