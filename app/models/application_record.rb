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

  # Puts in many rows as one list.
  #
  # @param rows [Array<Hash>] plain values, all with the same names
  def self.put_in(rows)
    names = rows.first.keys
    values = Array.new(names.size) { |i| "value ->> #{i}" }
    connection.execute(sanitize_sql([ "INSERT INTO #{quoted_table_name} (#{names.map { |name| connection.quote_column_name(name) }.join(", ")}) SELECT #{values.join(", ")} FROM json_each(?)", JSON.generate(rows.map(&:values)) ]))
  end

  # The numbers that the next rows are given, as long as the transaction lasts: what tells of each other is written at once then.
  #
  # @param count [Integer]
  # @return [Array<Integer>]
  def self.numbers(count)
    last = connection.select_value(sanitize_sql([ "SELECT seq FROM sqlite_sequence WHERE name = ?", table_name ])).to_i
    (last + 1..last + count).to_a
  end
end
