class ApplicationRecord < ActiveRecord::Base
  primary_abstract_class

  # That a value is one of many, as one list: bound one by one, or written out, some thousand take longer than the query.
  #
  # @param attribute [Arel::Attribute, Arel::Nodes::Node]
  # @param values [Array<Integer, String>]
  # @return [Arel::Nodes::In]
  def self.any_of(attribute, values)
    Arel::Nodes::In.new(attribute, Arel.sql("SELECT value FROM json_each(?)", JSON.generate(values)))
  end
end
