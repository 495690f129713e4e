module Zuhause
  module Talk
    # How a question stands: :open while nobody has answered, :doubted where more doubt its answers than they helped,
    # :answered, and :settled once it is closed.
    module Standing
      STATES = %i[open doubted answered settled].freeze

      module_function

      # @param settled [Boolean]
      # @param answers [Array<Array(Integer, Integer)>] for each answer how many people it helped, and how many doubt it
      # @param chosen [Boolean] whether the asker or a keeper has said which answer helps
      # @return [Symbol] one of {STATES}
      def of(settled:, answers:, chosen: false)
        return :settled if settled
        return :open if answers.empty?

        chosen || answers.any? { |helped, doubted| doubted <= helped } ? :answered : :doubted
      end
    end
  end
end
