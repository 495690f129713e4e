module Zuhause
  module Merging
    # One of the three texts: its document in normal form with an id for every block, its title, who wrote it (a public id),
    # and its version, by which the later of two is told.
    Side = Struct.new(:document, :title, :by, :version, keyword_init: true) do
      # @return [Boolean] whether both say the same
      def same?(side)
        title == side.title && document == side.document
      end

      # @return [String] by which two are put in an order that does not depend on who asks
      def key
        @key ||= Digest::SHA256.hexdigest(JSON.generate([ document, title ]))
      end
    end
  end
end
