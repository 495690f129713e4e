# Says in words what a text holds that no page can.
module TellsProblems
  extend ActiveSupport::Concern

  private

  # @param invalid [Zuhause::Document::Invalid]
  # @return [Array<String>]
  def problems_of(invalid)
    invalid.problems.map { |problem| t("document.problems.#{problem.code}", node: t("document.nodes.#{problem.node}", default: problem.node), **numbers(problem.details)) }
  end

  def numbers(details)
    details.transform_values { |value| value.is_a?(Integer) ? helpers.number_with_delimiter(value) : value }
  end
end
