require_relative "../test_helper"

class AccountTableTest < Minitest::Test
  AccountTable = Zuhause::Inviting::AccountTable

  def told(text)
    AccountTable.new(text).rows.map { |row| [ row.line, row.name, row.email, row.role, row.groups, row.problems ] }
  end

  def test_columns_are_found_by_their_headings_in_any_order_and_with_any_separator
    expected = [ [ 2, "Ana Berg", "ana@x.example", :member, %w[Deck Wages], [] ], [ 3, "Ben Ro", "ben@x.example", :guest, [], [] ] ]
    assert_equal expected, told("E-Mail,Name,Groups,Role\nANA@x.example,Ana Berg,Deck|Wages,\nben@x.example,Ben Ro,,Guest\n")
    assert_equal expected, told("\uFEFFname;mail address;role;groups\r\nAna Berg;ana@x.example;member;Deck, Wages\r\nBen Ro;ben@x.example;guest;\r\n")
    assert_equal expected, told("Name\tShoe size\tMail\tRole\tGroup\nAna Berg\t41\tana@x.example\tmember\tDeck|Wages\nBen Ro\t\tben@x.example\tguest\t\n")
  end

  def test_without_headings_the_columns_are_name_address_role_and_groups
    assert_equal [ [ 1, "Berg, Ana", "ana@x.example", :member, [], [] ] ], told("\"Berg, Ana\",ana@x.example\n")
  end

  def test_every_fault_is_told_with_its_line
    text = "name,mail,role\n,a@x.example,\nBen,ben at x,\nCy,c@x.example,captain\n\n#{"x" * 81},d@x.example,\nEve,c@x.example,\nFay\n\"Two\nlines\",two@x.example,\nGun,g@x.example,\n"
    problems = [ [ 2, [ :no_name ] ], [ 3, [ :no_address ] ], [ 4, [ :no_role ] ], [ 6, [ :long_name ] ], [ 7, [ :twice ] ], [ 8, [ :no_address ] ], [ 9, [] ], [ 11, [] ] ]
    assert_equal problems, told(text).map { |row| row.values_at(0, 5) }
    assert_equal "Two lines", told(text)[6][1]
  end

  def test_what_is_no_table_says_why
    assert_equal [ :empty, :empty, :malformed, :no_columns, :too_many ], [ "", " \n\n", "name,mail\n\"a", "mail,role\na@x.example,guest", "a,a@x.example\n" * 2003 ].map { |text| AccountTable.new(text).problem }
  end

  def test_anything_at_all_is_read_or_refused
    random = Random.new(SEED)
    generate(300) do
      text = Array.new(random.rand(1..6)) { Array.new(random.rand(0..5)) { [ "", "Ana", "a@x.example", "\"", "é\n", "guest", "Deck;Wages", "\xff" ].sample(random: random) }.join([ ",", ";", "\t" ].sample(random: random)) }.join("\n")
      table = AccountTable.new(text)
      assert table.problem || table.rows.all? { |row| row.problems.any? || (row.name != "" && row.email.include?("@") && row.role) }, -> { "SEED=#{SEED} #{text.inspect}" }
    end
  end
end
