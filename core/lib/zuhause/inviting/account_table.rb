require "csv"

module Zuhause
  module Inviting
    # A table of people to make accounts for: CSV (RFC 4180) with commas, semicolons or tabs between. Its first line says which column
    # is which, in any order; without such a line the columns are name, mail address, role, groups.
    class AccountTable
      MOST = 2000 # rows
      HEADINGS = {
        name: %w[name names person], email: [ "mail address", "email", "e-mail", "mail", "address", "email address", "e-mail address" ],
        role: %w[role], groups: %w[group groups]
      }.freeze
      COLUMNS = HEADINGS.keys.freeze
      ROLES = { "" => :member, "member" => :member, "guest" => :guest }.freeze

      # +line+: of the text, counted from 1; +role+ is nil where it is none; +groups+: names; +problems+: of :no_name, :long_name,
      # :no_address, :twice and :no_role.
      Row = Struct.new(:line, :name, :email, :role, :groups, :problems, keyword_init: true)

      # @return [Array<Row>]
      attr_reader :rows
      # @return [Symbol, nil] why nothing could be read: :empty, :malformed, :too_many or :no_columns
      attr_reader :problem

      # @param text [String]
      def initialize(text)
        @rows = []
        lines = parse(text.to_s.dup.force_encoding("UTF-8").scrub("").delete_prefix("\uFEFF")) or return
        columns = columns_of(lines)
        return @problem = :no_columns unless columns.include?(:name) && columns.include?(:email)

        @rows = lines.map { |line, values| row(line, columns.zip(values).to_h) }
        mark_doubles
      end

      private

      # @return [Array<Array(Integer, Array<String>)>, nil] rows that hold something, each with its line
      def parse(text)
        csv = CSV.new(text, col_sep: separator(text), liberal_parsing: true)
        lines, at = [], 1
        while (values = csv.shift)
          lines << [ at, values.map { |value| value.to_s.strip } ] unless values.all? { |value| value.to_s.strip.empty? }
          at += csv.line.scan(/\r\n|\r|\n/).size
          return fail_with(:too_many) if lines.size > MOST + 1
        end
        lines.empty? ? fail_with(:empty) : lines
      rescue CSV::MalformedCSVError
        fail_with(:malformed)
      end

      def fail_with(problem)
        @problem = problem
        nil
      end

      # The one that stands most often in the first line.
      def separator(text)
        first = text.each_line.find { |line| !line.strip.empty? }.to_s
        [ ",", ";", "\t" ].max_by { |each| first.count(each) }
      end

      # Takes the first line away if it says what the columns are.
      def columns_of(lines)
        told = lines.first[1].map { |heading| HEADINGS.find { |_column, names| names.include?(heading.downcase) }&.first }
        return COLUMNS.first([ lines.map { |_line, values| values.size }.max, 2 ].max) if told.compact.empty?

        lines.shift
        told
      end

      def row(line, values)
        name, email = Document::Title.clean(values[:name].to_s), values[:email].to_s.downcase.delete_prefix("mailto:")
        role = ROLES[values[:role].to_s.downcase]
        problems = [ (:no_name if name.empty?), (:long_name if name.size > MailAddresses::LONGEST_NAME), (:no_address unless address?(email)), (:no_role unless role) ].compact
        Row.new(line: line, name: name, email: email, role: role, groups: values[:groups].to_s.split(/[;,|]/).map(&:strip).reject(&:empty?).uniq, problems: problems)
      end

      def address?(email)
        email.match?(/\A#{MailAddresses::ADDRESS}\z/) && email.bytesize <= MailAddresses::LONGEST
      end

      def mark_doubles
        @rows.group_by(&:email).each_value { |same| same.drop(1).each { |row| row.problems << :twice unless row.problems.include?(:no_address) } }
      end
    end
  end
end
