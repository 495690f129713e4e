module Zuhause
  module Changes
    # What became of one block. +kind+ is :same, :changed, :added or :removed; +moved+ says that it stood elsewhere;
    # +attrs+ (Hash) holds attributes that differ, id left out, each with its old and new value; +parts+
    # (Array<Inline::Part>) what changed in its text; +children+ (Array<Entry>) what became of the blocks inside it.
    Entry = Struct.new(:kind, :old, :new, :moved, :attrs, :parts, :children, :number, keyword_init: true) do
      # @return [Boolean] whether this block itself differs, whatever is inside it
      def difference?
        moved || attrs&.any? || parts&.any? { |part| part.kind != :same } || kind == :added || kind == :removed
      end

      def node
        new || old
      end

      def each(&block)
        block.call(self)
        (children || []).each { |child| child.each(&block) }
      end
    end
  end
end
