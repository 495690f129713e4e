require_relative "../test_helper"

class MailAddressesTest < Minitest::Test
  MailAddresses = Zuhause::Inviting::MailAddresses

  def test_each_way_in_which_people_write_them
    { "ana@x.example" => [ [ "", "ana@x.example" ] ], "Ana Berg <Ana@X.example>" => [ [ "Ana Berg", "ana@x.example" ] ], "ana@x.example, Ana Berg" => [ [ "Ana Berg", "ana@x.example" ] ],
      "\"Berg, Ana\" <ana@x.example>; Ben Ro <ben@x.example>" => [ [ "Ana Berg", "ana@x.example" ], [ "Ben Ro", "ben@x.example" ] ], "a@x.example, b@x.example;c@x.example d@x.example" => %w[a b c d].map { |name| [ "", "#{name}@x.example" ] },
      "Ana\tana@x.example\nBen;ben@x.example\n\n" => [ [ "Ana", "ana@x.example" ], [ "Ben", "ben@x.example" ] ], "mailto:ana@x.example" => [ [ "", "ana@x.example" ] ],
      "Ana <ana@x.example>, Ben <ben@x.example>," => [ [ "Ana", "ana@x.example" ], [ "Ben", "ben@x.example" ] ], "o'neil+a@x-y.example" => [ [ "", "o'neil+a@x-y.example" ] ] }.each do |text, expected|
      read = MailAddresses.new(text)
      assert_equal [ expected, [] ], [ read.entries.map(&:to_a), read.problems ], text
    end
  end

  def test_each_address_once_with_the_name_that_was_given
    assert_equal [ [ "Ana", "ana@x.example" ] ], MailAddresses.new("ana@x.example\nAna <ANA@x.example>\nAnna <ana@x.example>").entries.map(&:to_a)
  end

  def test_what_holds_no_address_is_told
    assert_equal [ "Ana Berg", "ben at x", "and Cy" ], MailAddresses.new("Ana Berg\nben at x\na@x.example, b@x.example, and Cy").problems
    long = "#{"a" * 250}@x.example"
    assert_equal [ [], [ long ] ], MailAddresses.new(long).then { |read| [ read.entries, read.problems ] }
  end

  # Any text at all is read, each address that was written among it is found, and nothing takes long.
  def test_addresses_among_anything
    random = Random.new(SEED)
    generate(300) do
      emails = Array.new(random.rand(1..5)) { |i| "p#{i}.#{random.rand(999)}@h#{random.rand(9)}.example" }.uniq
      text = emails.map { |email| [ "", "Name ", "<", "\"Né, Å\" <" ].sample(random: random) + email }.join([ "\n", "; ", ", ", ">, " ].sample(random: random))
      assert_equal emails, MailAddresses.new(text).entries.map(&:email), -> { "SEED=#{SEED} #{text}" }
      MailAddresses.new(Random.new(random.seed).bytes(200).force_encoding("UTF-8"))
    end
    assert_empty MailAddresses.new("#{"a." * 20_000}@").entries
  end

  def test_who_may_invite_whom
    member, guest, administrator = Zuhause::Access::Viewer.new(id: 1), Zuhause::Access::Viewer.new(id: 2, role: :guest), Zuhause::Access::Viewer.new(id: 3, administrator: true)
    may = ->(viewer, role, level, by_keepers) { Zuhause::Inviting.may?(viewer, role, level: level, by_keepers: by_keepers) }
    assert_equal [ false, false, true ], [ member, guest, administrator ].map { |viewer| may.(viewer, :member, nil, :members) }
    assert_equal [ false, true, true ], %i[nobody guests members].map { |set| may.(member, :guest, :keep, set) }
    assert_equal [ false, false, true ], %i[nobody guests members].map { |set| may.(member, :member, :keep, set) }
    assert_equal [ true, false ], %i[keep write].map { |level| may.(administrator, :member, level, :nobody) }
    refute may.(guest, :guest, :keep, :members)
    refute may.(Zuhause::Access::Viewer.new(id: 1, suspended: true), :guest, :keep, :members)
  end
end
